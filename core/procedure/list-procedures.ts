import type { Part, ProbeSpec } from '../model/kinds'
import type { Intervention, Machine } from '../model/machine'
import type { Dimension, ReadingShape } from '../foundation/quantity'
import type { OperatingPoint } from '../simulation/simulate'
import { courseOf, START_AT, type Course, type Spot } from './moments'
import type { Procedure, What } from './types'

const MINUTES: Record<ProbeSpec['what'], number> = {
  ohms: 2,
  volts: 1.5,
  amps: 1.5,
  pressure: 4,
  bucket: 6,
  sense: 0.4,
  display: 1,
  hertz: 1.5,
  worked: 3,
}
const METER: Partial<Record<ProbeSpec['what'], string>> = {
  ohms: 'ohms',
  amps: 'clamp',
  pressure: 'gauge',
  bucket: 'bucket',
  hertz: 'counter',
}
/** The service display shows each dimension to its own last digit. */
const DISPLAYS: Partial<Record<Dimension, string>> = {
  length: 'display',
  temperature: 'display-temperature',
  frequency: 'display-frequency',
  volume: 'display-volume',
}

const ELECTRICAL: ReadonlySet<ProbeSpec['what']> = new Set(['ohms', 'worked', 'volts', 'amps', 'hertz'])

/** Instruments that may be used instead of the usual one. */
export const INSTEAD: Record<string, readonly string[]> = {
  volts: ['volts-lowz', 'neon'],
  'volts-dc': ['volts-dc-lowz'],
  ohms: ['beeper'],
}

/** Where the healthy machine has a mean rather than an alternating voltage, the meter stands on DC. */
function voltmeterAt(point: OperatingPoint, part: Part, probe: ProbeSpec & { what: 'volts' }): string {
  const b = probe.b === '@return' ? undefined : part.nodes[probe.b]
  if (b === undefined) return point.hasSource('ac') ? 'volts' : 'volts-dc'
  const dc = Math.abs(point.dcVolts(part.nodes[probe.a], b))
  return dc > 0.7 * point.volts(part.nodes[probe.a], b) || !point.hasSource('ac') ? 'volts-dc' : 'volts'
}

/** The usual instrument of a probe; `undefined` for senses. */
function meterFor(machine: Machine, part: Part, probe: ProbeSpec, point: OperatingPoint): string | undefined {
  if (probe.what === 'volts') return voltmeterAt(point, part, probe)
  if (probe.what !== 'display') return METER[probe.what]
  return probe.by ?? DISPLAYS[machine.kinds[part.index].signals![probe.signal].dimension ?? 'count'] ?? 'display'
}

/** The machine with its runs and everything that can be tested on it. */
export interface Bench extends Course {
  procedures: readonly Procedure[]
}

/** Turns after which something goes to and fro. */
const TO_AND_FRO = 4
/** Share of its time by which an event may come sooner or later on a machine within its tolerances. */
const MAY_SHIFT = 0.06

/** Modes that a hand holds for a test, as interventions. */
function handsOf(machine: Machine, part: Part, modes: Record<string, string> = {}): Intervention[] {
  return Object.entries(modes).map(([name, value]) => {
    const spec = machine.kinds[part.index].modes!.find((m) => m.name === name)!
    return { hold: { mode: part.mode[name], value: spec.values.indexOf(value) } }
  })
}

const isActive = (machine: Machine, part: Part, point: OperatingPoint): boolean => {
  const { active } = machine.kinds[part.index]
  return active === undefined ? point.amps(part) > 1e-3 : point.signal(part.index, active) > 0.5
}

function shapeOf(machine: Machine, part: Part, probe: ProbeSpec): ReadingShape {
  switch (probe.what) {
    case 'ohms':
      return { takes: 'number', dimension: 'resistance' }
    case 'volts':
      return { takes: 'number', dimension: 'voltage' }
    case 'amps':
      return { takes: 'number', dimension: 'current' }
    case 'pressure':
      return { takes: 'number', dimension: 'pressure' }
    case 'bucket':
      return { takes: 'number', dimension: 'flow' }
    case 'hertz':
      return { takes: 'number', dimension: 'frequency' }
    case 'display':
      return { takes: 'number', dimension: machine.kinds[part.index].signals![probe.signal].dimension ?? 'count' }
    case 'worked':
      return { takes: 'times' }
    case 'sense':
      return { takes: 'yes-no' }
  }
}

/**
 * Every test that follows from the machine, plus the special ones of its sheet.
 *
 * The healthy machine is run once per program; a probe that waits for its part to be called is placed in the first
 * phase in which the healthy part is active, an idle probe before a program is started, or else in the first running
 * phase in which the part is not.
 */
export function listProcedures(machine: Machine): Bench {
  const course = courseOf(machine)
  const { sheet } = machine
  const { runs, healthy, addRun } = course
  const spots = course.spots.filter((s) => s.is === 'phase' || s.is === 'moment')
  const first = (is: Spot['is']) => course.spots.find((s) => s.is === is)
  const [start, end, off] = [first('start'), first('end'), first('off')]
  const atPhase = (phase: string) => spots.find((s) => s.is === 'phase' && s.id === phase)

  /** Parts that work as soon as the supply is on are read then, whether or not a program can be started. */
  const standing = (part: Part): Spot | undefined =>
    (machine.idlePhase < 0 || !machine.kinds[part.index].ports.length) && start && isActive(machine, part, start.point)
      ? start
      : undefined

  /** Volts that should not be there are looked for before a program is started: no fault can keep a machine from coming to that. */
  const idle = (part: Part): Spot | undefined =>
    start && machine.kinds[part.index].ports.length && !isActive(machine, part, start.point) ? start : undefined

  const procedures: Procedure[] = []
  const add = (p: Omit<Procedure, 'index' | 'key'>) => {
    const index = procedures.length
    procedures.push({ ...p, index, key: String(index).padStart(5, '0') })
  }
  /**
   * A contact that follows a level to and fro stands, when the power goes, where the level happens to be: its ohms in place
   * say nothing of it. Worked by hand they do.
   */
  const standsByChance = (part: Part, { run }: Spot): boolean => {
    if (part.line !== 'level' || !Object.keys(part.ref).length) return false
    const cut = START_AT + machine.programs[runs[run].program].duration
    const turns = healthy[run].events.filter((e) => e.type === 'mode' && machine.modeOwner[e.mode] === part.index)
    return turns.length >= TO_AND_FRO && turns.some(({ time: t }) => Math.abs(t - cut) < MAY_SHIFT * cut)
  }
  const panelsOf = (part: Part) => (part.panel === undefined ? [] : [part.panel])

  for (const part of machine.parts)
    for (const probe of machine.kinds[part.index].probes?.(part) ?? []) {
      let spot: Spot | undefined
      if (probe.when === 'dead') spot = off
      else if (probe.when === 'cold') spot = start
      else if (probe.when === 'settled') spot = end
      else if (probe.when === 'active') spot = standing(part) ?? spots.find((s) => isActive(machine, part, s.point))
      else
        spot =
          (probe.what === 'volts' ? idle(part) : undefined) ??
          spots.find((s) => !s.final && !isActive(machine, part, s.point))
      if (!spot || (probe.what === 'ohms' && spot === off && standsByChance(part, spot))) continue
      const byHand = probe.what === 'sense' ? handsOf(machine, part, probe.with) : []
      const what: What = { is: 'probe', part: part.index, probe }
      const meter = meterFor(machine, part, probe, spot.point)
      const electrical = ELECTRICAL.has(probe.what)
      const dead = probe.when === 'dead'
      const water = probe.what === 'pressure' || probe.what === 'bucket'
      const handsOn = electrical || byHand.length > 0 || (probe.what === 'sense' && probe.sense === 'hand')
      add({
        id: `${part.id}.${probe.id}`,
        title: part.title,
        what,
        run: byHand.length ? addRun(runs[spot.run].program, byHand, spot.moment) : spot.run,
        moment: spot.moment,
        when: water || (dead && !panelsOf(part).length && !electrical) ? 'at any time' : spot.title,
        shape: shapeOf(machine, part, probe),
        meter,
        otherMeters: meter === undefined ? [] : (INSTEAD[meter] ?? []),
        school: water ? 'water' : electrical ? (dead ? 'dead' : 'live') : 'look',
        needs: {
          power: water || (dead && !panelsOf(part).length && !electrical) ? 'any' : dead ? 'off' : 'on',
          panels: handsOn || dead ? panelsOf(part) : [],
          reach:
            dead || water || spot === start ? undefined : { program: runs[spot.run].program, seconds: spot.seconds },
        },
        minutes: probe.minutes ?? MINUTES[probe.what],
        caution: undefined,
        destroys:
          dead && electrical ? 'switching off ends what the machine shows now: codes, levels and voltages' : undefined,
      })
    }
  for (const phase of machine.phases) {
    const spot = atPhase(phase.id)
    if (!spot || phase.final) continue
    const { from, to } = healthy[spot.run].phases[phase.index]
    if (Number.isNaN(to)) continue
    add({
      id: `${phase.id}.lasts`,
      title: phase.title,
      what: { is: 'duration', phase: phase.index },
      run: spot.run,
      moment: spot.moment,
      when: `from the start of ${phase.title} to its end`,
      shape: { takes: 'number', dimension: 'time' },
      meter: 'stopwatch',
      otherMeters: [],
      school: 'look',
      needs: { power: 'on', panels: [], reach: { program: runs[spot.run].program, seconds: from - START_AT } },
      minutes: (to - from) / 60 + 0.2,
      caution: undefined,
      destroys: undefined,
    })
  }
  if (sheet.alarms.length && end)
    add({
      id: 'control.code',
      title: 'Code shown',
      what: { is: 'code' },
      run: end.run,
      moment: end.moment,
      when: end.title,
      shape: { takes: 'word', words: ['none', ...sheet.alarms.map((a) => a.code)] },
      meter: undefined,
      otherMeters: [],
      school: 'look',
      needs: {
        power: 'on',
        panels: [],
        reach: { program: runs[end.run].program, seconds: Math.min(end.seconds, 900) },
      },
      minutes: 0.3,
      caution: undefined,
      destroys: undefined,
    })
  for (const test of sheet.tests) {
    const part = machine.partIndex.get(test.part)!
    const jumper = test.jumper === undefined ? undefined : machine.partIndex.get(test.jumper)!
    const base = atPhase(test.moment) ?? spots.find((s) => s.is === 'moment' && s.id === test.moment)
    if (!base) continue
    const { program } = runs[base.run]
    const run = jumper === undefined ? base.run : addRun(program, [{ jumper }], base.moment)
    add({
      id: test.id,
      title: test.title,
      what: { is: 'watch', part, signal: test.signal, sense: test.by },
      run,
      moment: base.moment,
      when: base.title,
      shape: { takes: 'yes-no' },
      meter: undefined,
      otherMeters: [],
      school: jumper === undefined ? 'look' : 'live',
      needs: {
        power: 'on',
        panels: jumper === undefined ? [] : panelsOf(machine.parts[jumper]),
        reach: { program, seconds: base.seconds },
      },
      minutes: test.minutes,
      caution: test.caution,
      destroys: undefined,
    })
  }
  return { ...course, procedures }
}
