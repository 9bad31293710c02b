import type { Part, MeasurementSpec } from '../../model/kinds'
import type { Intervention, Machine } from '../../model/machine'
import type { Dimension, ReadingShape } from '../../foundation/quantity'
import type { OperatingPoint } from '../../simulation/simulate'
import { runHealthy, PROGRAM_START, type HealthyRuns, type ReadingMoment } from './run-healthy'
import type { Procedure, Measurement } from './types'

const MINUTES: Record<MeasurementSpec['type'], number> = {
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
const METER: Partial<Record<MeasurementSpec['type'], string>> = {
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

const ELECTRICAL: ReadonlySet<MeasurementSpec['type']> = new Set(['ohms', 'worked', 'volts', 'amps', 'hertz'])

/** Instruments that may be used instead of the usual one. */
export const ALTERNATIVE_METERS: Record<string, readonly string[]> = {
  volts: ['volts-lowz', 'neon'],
  'volts-dc': ['volts-dc-lowz'],
  ohms: ['beeper'],
}

/** Where the healthy machine has a mean rather than an alternating voltage, the meter stands on DC. */
function voltmeterAt(point: OperatingPoint, part: Part, probe: MeasurementSpec & { type: 'volts' }): string {
  const b = probe.b === '@return' ? undefined : part.nodes[probe.b]
  if (b === undefined) return point.hasSource('ac') ? 'volts' : 'volts-dc'
  const dc = Math.abs(point.dcVolts(part.nodes[probe.a], b))
  return dc > 0.7 * point.volts(part.nodes[probe.a], b) || !point.hasSource('ac') ? 'volts-dc' : 'volts'
}

/** The usual instrument of a probe; `undefined` for senses. */
function meterFor(machine: Machine, part: Part, probe: MeasurementSpec, point: OperatingPoint): string | undefined {
  if (probe.type === 'volts') return voltmeterAt(point, part, probe)
  if (probe.type !== 'display') return METER[probe.type]
  return probe.by ?? DISPLAYS[machine.kinds[part.index].signals![probe.signal].dimension ?? 'count'] ?? 'display'
}

/** The machine with its runs and everything that can be tested on it. */
export interface TestCatalogue extends HealthyRuns {
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

function shapeOf(machine: Machine, part: Part, probe: MeasurementSpec): ReadingShape {
  switch (probe.type) {
    case 'ohms':
      return { type: 'number', dimension: 'resistance' }
    case 'volts':
      return { type: 'number', dimension: 'voltage' }
    case 'amps':
      return { type: 'number', dimension: 'current' }
    case 'pressure':
      return { type: 'number', dimension: 'pressure' }
    case 'bucket':
      return { type: 'number', dimension: 'flow' }
    case 'hertz':
      return { type: 'number', dimension: 'frequency' }
    case 'display':
      return { type: 'number', dimension: machine.kinds[part.index].signals![probe.signal].dimension ?? 'count' }
    case 'worked':
      return { type: 'times' }
    case 'sense':
      return { type: 'yes-no' }
  }
}

/**
 * Every test that follows from the machine, plus the special ones of its sheet.
 *
 * The healthy machine is run once per program; a probe that waits for its part to be called is placed in the first
 * phase in which the healthy part is active, an idle probe before a program is started, or else in the first running
 * phase in which the part is not.
 */
export function buildCatalogue(machine: Machine): TestCatalogue {
  const healthyRuns = runHealthy(machine)
  const { sheet } = machine
  const { runs, healthy, addRun } = healthyRuns
  const readingMoments = healthyRuns.readingMoments.filter((s) => s.type === 'phase' || s.type === 'moment')
  const first = (is: ReadingMoment['type']) => healthyRuns.readingMoments.find((s) => s.type === is)
  const [start, end, off] = [first('start'), first('end'), first('off')]
  const atPhase = (phase: string) => readingMoments.find((s) => s.type === 'phase' && s.id === phase)

  /** Parts that work as soon as the supply is on are read then, whether or not a program can be started. */
  const workState = (part: Part): ReadingMoment | undefined =>
    (machine.idlePhase < 0 || !machine.kinds[part.index].ports.length) && start && isActive(machine, part, start.point)
      ? start
      : undefined

  /** Volts that should not be there are looked for before a program is started: no fault can keep a machine from coming to that. */
  const idle = (part: Part): ReadingMoment | undefined =>
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
  const standsByChance = (part: Part, { run }: ReadingMoment): boolean => {
    if (part.line !== 'level' || !Object.keys(part.ref).length) return false
    const cut = PROGRAM_START + machine.programs[runs[run].program].duration
    const turns = healthy[run].events.filter((e) => e.type === 'mode' && machine.modeOwner[e.mode] === part.index)
    return turns.length >= TO_AND_FRO && turns.some(({ time: t }) => Math.abs(t - cut) < MAY_SHIFT * cut)
  }
  const panelsOf = (part: Part) => (part.panel === undefined ? [] : [part.panel])

  for (const part of machine.parts)
    for (const probe of machine.kinds[part.index].measurements?.(part) ?? []) {
      let readingMoment: ReadingMoment | undefined
      if (probe.when === 'dead') readingMoment = off
      else if (probe.when === 'cold') readingMoment = start
      else if (probe.when === 'settled') readingMoment = end
      else if (probe.when === 'active')
        readingMoment = workState(part) ?? readingMoments.find((s) => isActive(machine, part, s.point))
      else
        readingMoment =
          (probe.type === 'volts' ? idle(part) : undefined) ??
          readingMoments.find((s) => !s.final && !isActive(machine, part, s.point))
      if (!readingMoment || (probe.type === 'ohms' && readingMoment === off && standsByChance(part, readingMoment)))
        continue
      const byHand = probe.type === 'sense' ? handsOf(machine, part, probe.with) : []
      const what: Measurement = { type: 'probe', part: part.index, probe }
      const meter = meterFor(machine, part, probe, readingMoment.point)
      const electrical = ELECTRICAL.has(probe.type)
      const dead = probe.when === 'dead'
      const water = probe.type === 'pressure' || probe.type === 'bucket'
      const handsOn = electrical || byHand.length > 0 || (probe.type === 'sense' && probe.sense === 'hand')
      add({
        id: `${part.id}.${probe.id}`,
        title: part.title,
        measurement: what,
        run: byHand.length ? addRun(runs[readingMoment.run].program, byHand, readingMoment.moment) : readingMoment.run,
        moment: readingMoment.moment,
        when: water || (dead && !panelsOf(part).length && !electrical) ? 'at any time' : readingMoment.title,
        shape: shapeOf(machine, part, probe),
        meter,
        alternativeMeters: meter === undefined ? [] : (ALTERNATIVE_METERS[meter] ?? []),
        workMode: water ? 'water' : electrical ? (dead ? 'isolated' : 'energised') : 'observe',
        needs: {
          power: water || (dead && !panelsOf(part).length && !electrical) ? 'any' : dead ? 'off' : 'on',
          panels: handsOn || dead ? panelsOf(part) : [],
          arrival:
            dead || water || readingMoment === start
              ? undefined
              : { program: runs[readingMoment.run].program, seconds: readingMoment.seconds },
        },
        minutes: probe.minutes ?? MINUTES[probe.type],
        caution: undefined,
        destroys:
          dead && electrical ? 'switching off ends what the machine shows now: codes, levels and voltages' : undefined,
      })
    }
  for (const phase of machine.phases) {
    const readingMoment = atPhase(phase.id)
    if (!readingMoment || phase.final) continue
    const { from, to } = healthy[readingMoment.run].phases[phase.index]
    if (Number.isNaN(to)) continue
    add({
      id: `${phase.id}.lasts`,
      title: phase.title,
      measurement: { type: 'duration', phase: phase.index },
      run: readingMoment.run,
      moment: readingMoment.moment,
      when: `from the start of ${phase.title} to its end`,
      shape: { type: 'number', dimension: 'time' },
      meter: 'stopwatch',
      alternativeMeters: [],
      workMode: 'observe',
      needs: {
        power: 'on',
        panels: [],
        arrival: { program: runs[readingMoment.run].program, seconds: from - PROGRAM_START },
      },
      minutes: (to - from) / 60 + 0.2,
      caution: undefined,
      destroys: undefined,
    })
  }
  if (sheet.alarms.length && end)
    add({
      id: 'control.code',
      title: 'Code shown',
      measurement: { type: 'code' },
      run: end.run,
      moment: end.moment,
      when: end.title,
      shape: { type: 'word', words: ['none', ...sheet.alarms.map((a) => a.code)] },
      meter: undefined,
      alternativeMeters: [],
      workMode: 'observe',
      needs: {
        power: 'on',
        panels: [],
        arrival: { program: runs[end.run].program, seconds: Math.min(end.seconds, 900) },
      },
      minutes: 0.3,
      caution: undefined,
      destroys: undefined,
    })
  for (const test of sheet.tests) {
    const part = machine.partIndex.get(test.part)!
    const jumper = test.jumper === undefined ? undefined : machine.partIndex.get(test.jumper)!
    const base = atPhase(test.moment) ?? readingMoments.find((s) => s.type === 'moment' && s.id === test.moment)
    if (!base) continue
    const { program } = runs[base.run]
    const run = jumper === undefined ? base.run : addRun(program, [{ jumper }], base.moment)
    add({
      id: test.id,
      title: test.title,
      measurement: { type: 'watch', part, signal: test.signal, sense: test.by },
      run,
      moment: base.moment,
      when: base.title,
      shape: { type: 'yes-no' },
      meter: undefined,
      alternativeMeters: [],
      workMode: jumper === undefined ? 'observe' : 'energised',
      needs: {
        power: 'on',
        panels: jumper === undefined ? [] : panelsOf(machine.parts[jumper]),
        arrival: { program, seconds: base.seconds },
      },
      minutes: test.minutes,
      caution: test.caution,
      destroys: undefined,
    })
  }
  return { ...healthyRuns, procedures }
}
