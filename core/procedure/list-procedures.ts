import type { Part, ProbeSpec } from '../kinds'
import { makeVariant, type Machine } from '../machine'
import type { ReadingShape } from '../quantity'
import { simulate, type Moment, type Plant, type Timeline } from '../simulate'
import type { Procedure, Run, What } from './types'

/** Seconds between the start of a script and the start of its program. */
const START_AT = 1
/** Longest time after the entry of a phase at which it is read, s. */
const SETTLE = 4
/** Between isolating and a dead reading: panel, proving, clips; s. */
const DEAD_AFTER = 180
const MINUTES: Record<ProbeSpec['what'], number> = {
  ohms: 2,
  volts: 1.5,
  amps: 1.5,
  pressure: 4,
  bucket: 6,
  sense: 0.4,
  display: 1,
}
const METER: Partial<Record<ProbeSpec['what'], string>> = {
  ohms: 'ohms',
  volts: 'volts',
  amps: 'clamp',
  pressure: 'gauge',
  bucket: 'bucket',
  display: 'display',
}

/** The machine with its runs and everything that can be tested on it. */
export interface Bench {
  machine: Machine
  runs: Run[]
  procedures: Procedure[]
  /** The healthy machine through each run. */
  healthy: Timeline[]
}

interface Spot {
  run: number
  moment: number
  title: string
  /** Seconds since the start of the program on the healthy machine. */
  seconds: number
  plant: Plant
  final: boolean
}

const isActive = (machine: Machine, part: Part, plant: Plant): boolean => {
  const { active } = machine.kinds[part.index]
  return active === undefined ? plant.amps(part) > 1e-3 : plant.signal(part.index, active) > 0.5
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
    case 'display':
      return { takes: 'number', dimension: machine.kinds[part.index].signals![probe.signal].dimension ?? 'count' }
    case 'sense':
      return { takes: 'yes-no' }
  }
}

/**
 * Every test that follows from the machine, plus the special ones of its sheet.
 *
 * The healthy machine is run once per program; a probe that waits for its part to be called is placed in the first
 * phase in which the healthy part is active, an idle probe in the first running phase in which it is not.
 */
export function listProcedures(machine: Machine): Bench {
  const { sheet } = machine
  const runs: Run[] = []
  const healthy: Timeline[] = []
  const addRun = (program: number, moments: Moment[], jumper?: number): number => {
    const { lasts } = machine.programs[program]
    const script = {
      steps: [
        { at: START_AT, start: program },
        { at: START_AT + lasts, hold: [...machine.isolators] },
      ],
      until: START_AT + lasts + DEAD_AFTER,
      stopsWhenFinal: false,
      moments: [
        ...moments,
        { is: 'time' as const, at: START_AT / 2 },
        { is: 'time' as const, at: START_AT + lasts - 0.5 },
        { is: 'time' as const, at: START_AT + lasts + DEAD_AFTER },
      ],
    }
    const index = runs.length
    runs.push({ index, program, script, jumper })
    healthy.push(simulate(makeVariant(machine, [], jumper === undefined ? [] : [{ jumper }]), script))
    return index
  }
  const spots: Spot[] = []
  const phaseSpot = new Map<number, Spot>()
  const coldSpot: Spot[] = []
  const settledSpot: Spot[] = []
  const deadSpot: Spot[] = []
  const momentsOf: Moment[][] = machine.programs.map((program) => {
    const trial = simulate(makeVariant(machine), {
      steps: [{ at: START_AT, start: program.index }],
      until: START_AT + program.lasts,
      stopsWhenFinal: true,
      moments: [],
    })
    const moments: Moment[] = machine.phases.flatMap((phase): Moment[] => {
      const { from, to } = trial.phases[phase.index]
      if (Number.isNaN(from)) return []
      return [
        { is: 'phase', phase: phase.index, after: Math.min(SETTLE, (Number.isNaN(to) ? Infinity : to - from) / 2) },
      ]
    })
    for (const m of sheet.moments) if (m.program === program.id) moments.push({ is: 'time', at: START_AT + m.after })
    return moments
  })
  machine.programs.forEach((program) => {
    const moments = momentsOf[program.index]
    const run = addRun(program.index, moments)
    const { snapshots, phases } = healthy[run]
    const here = sheet.moments.filter((m) => m.program === program.id)
    const phaseCount = moments.length - here.length
    moments.forEach((m, k) => {
      const plant = snapshots[k]
      if (!plant) return
      const spot: Spot = {
        run,
        moment: k,
        title: m.is === 'phase' ? `while ${machine.phases[m.phase].title} runs` : here[k - phaseCount].title,
        seconds: (m.is === 'phase' ? phases[m.phase].from + m.after : m.at) - START_AT,
        plant,
        final: m.is === 'phase' && machine.phases[m.phase].final,
      }
      spots.push(spot)
      if (m.is === 'phase' && !phaseSpot.has(m.phase)) phaseSpot.set(m.phase, spot)
    })
    const tail = (offset: number, title: string): Spot => ({
      run,
      moment: moments.length + offset,
      title,
      seconds: program.lasts,
      plant: snapshots[moments.length + offset]!,
      final: true,
    })
    coldSpot.push(tail(0, 'with the supply on, before a program is started'))
    settledSpot.push(tail(1, `after ${program.title} has run out or stopped`))
    deadSpot.push(tail(2, 'switched off and proved dead'))
  })
  spots.sort((a, b) => a.run - b.run || a.seconds - b.seconds)

  /** Parts that work as soon as the supply is on are read then, whether or not a program can be started. */
  const standing = (part: Part): Spot | undefined =>
    sheet.control?.starts === undefined && coldSpot[0] && isActive(machine, part, coldSpot[0].plant)
      ? coldSpot[0]
      : undefined

  const procedures: Procedure[] = []
  const add = (p: Omit<Procedure, 'index'>) => procedures.push({ ...p, index: procedures.length })
  const panelsOf = (part: Part) => (part.panel === undefined ? [] : [part.panel])

  for (const part of machine.parts)
    for (const probe of machine.kinds[part.index].probes?.(part) ?? []) {
      let spot: Spot | undefined
      if (probe.when === 'dead') spot = deadSpot[0]
      else if (probe.when === 'cold') spot = coldSpot[0]
      else if (probe.when === 'settled') spot = settledSpot[0]
      else if (probe.when === 'active') spot = standing(part) ?? spots.find((s) => isActive(machine, part, s.plant))
      else spot = spots.find((s) => !s.final && !isActive(machine, part, s.plant))
      if (!spot) continue
      const what: What = { is: 'probe', part: part.index, probe }
      const meter = METER[probe.what]
      const electrical = probe.what === 'ohms' || probe.what === 'volts' || probe.what === 'amps'
      const dead = probe.when === 'dead'
      const water = probe.what === 'pressure' || probe.what === 'bucket'
      const handsOn = electrical || (probe.what === 'sense' && probe.sense === 'hand')
      add({
        id: `${part.id}.${probe.id}`,
        title: part.title,
        what,
        run: spot.run,
        moment: spot.moment,
        when: water || (dead && !panelsOf(part).length && !electrical) ? 'at any time' : spot.title,
        shape: shapeOf(machine, part, probe),
        meter,
        otherMeters: probe.what === 'volts' ? ['volts-lowz'] : [],
        school: water ? 'water' : electrical ? (dead ? 'dead' : 'live') : 'look',
        needs: {
          power: water || (dead && !panelsOf(part).length && !electrical) ? 'any' : dead ? 'off' : 'on',
          panels: handsOn || dead ? panelsOf(part) : [],
          reach:
            dead || water || spot === coldSpot[0]
              ? undefined
              : { program: runs[spot.run].program, seconds: spot.seconds },
        },
        minutes: probe.minutes ?? MINUTES[probe.what],
        caution: undefined,
        destroys:
          dead && electrical ? 'switching off ends what the machine shows now: codes, levels and voltages' : undefined,
      })
    }
  for (const phase of machine.phases) {
    const spot = phaseSpot.get(phase.index)
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
  if (sheet.alarms.length)
    add({
      id: 'control.code',
      title: 'Code shown',
      what: { is: 'code' },
      run: settledSpot[0].run,
      moment: settledSpot[0].moment,
      when: settledSpot[0].title,
      shape: { takes: 'word', words: ['none', ...sheet.alarms.map((a) => a.code)] },
      meter: undefined,
      otherMeters: [],
      school: 'look',
      needs: {
        power: 'on',
        panels: [],
        reach: { program: runs[settledSpot[0].run].program, seconds: Math.min(settledSpot[0].seconds, 900) },
      },
      minutes: 0.3,
      caution: undefined,
      destroys: undefined,
    })
  for (const test of sheet.tests) {
    const part = machine.partIndex.get(test.part)!
    const jumper = test.jumper === undefined ? undefined : machine.partIndex.get(test.jumper)!
    const base =
      phaseSpot.get(machine.phases.findIndex((p) => p.id === test.moment)) ??
      spots.find((s) => {
        const m = runs[s.run].script.moments[s.moment]
        const own = sheet.moments.find((x) => x.id === test.moment)
        return (
          own !== undefined &&
          m.is === 'time' &&
          m.at === START_AT + own.after &&
          runs[s.run].program === sheet.programs.findIndex((p) => p.id === own.program)
        )
      })
    if (!base) continue
    const { program } = runs[base.run]
    const run = jumper === undefined ? base.run : addRun(program, momentsOf[program], jumper)
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
  return { machine, runs, procedures, healthy }
}
