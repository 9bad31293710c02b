import { makeFaultedMachine, type Intervention, type Machine } from '../../model/machine'
import {
  newSimulationCache,
  programSteps,
  simulate,
  type Moment,
  type Script,
  type Timeline,
} from '../../simulation/simulate'
import type { HealthyRuns, ReadingMoment, Run } from './types'

/** Seconds between the start of a script and the start of its program. */
export const PROGRAM_START = 1
/** Longest time after the entry of a phase at which it is read, s. */
const SETTLE = 4
/** Between isolating and a dead reading: panel, proving, clips; s. */
const ISOLATED_AFTER = 180
/** The last moment before the machine is switched off, s before it. */
export const BEFORE_END = 0.5

/** The script of a program: started, watched for its time, isolated, and the moments that every run has. */
function scriptOf(machine: Machine, program: number, moments: readonly Moment[]): Script {
  const end = PROGRAM_START + machine.programs[program].duration
  return {
    steps: [...programSteps(machine, program, PROGRAM_START), { at: end, hold: [...machine.isolators] }],
    until: end + ISOLATED_AFTER,
    stopsWhenFinal: false,
    moments: [
      ...moments,
      { type: 'time', at: PROGRAM_START / 2 },
      { type: 'time', at: end - BEFORE_END },
      { type: 'time', at: end + ISOLATED_AFTER },
    ],
  }
}

/** The moments of a program: every phase that the healthy machine reaches, and the sheet's own. */
function momentsOf(machine: Machine, program: number, trial: Timeline): Moment[] {
  return [
    ...machine.phases.flatMap((phase): Moment[] => {
      const { from, to } = trial.phases[phase.index]
      if (Number.isNaN(from)) return []
      const length = Number.isNaN(to) ? Infinity : to - from
      const after = Math.min(SETTLE, length / 2)
      return [{ type: 'phase', phase: phase.index, after, expected: from + after }]
    }),
    ...machine.programs[program].moments.map((m): Moment => ({ type: 'time', at: PROGRAM_START + m.after })),
  ]
}

/** Where tests can be placed in the plain run of a program. */
function readingMomentsOf(machine: Machine, run: Run, moments: readonly Moment[], healthy: Timeline): ReadingMoment[] {
  const { snapshots, phases } = healthy
  const program = machine.programs[run.program]
  const own = program.moments
  const inRun = moments.flatMap((m, k): ReadingMoment[] => {
    const point = snapshots[k]
    if (!point) return []
    if (m.type === 'phase') {
      const { id, final } = machine.phases[m.phase]
      const seconds = phases[m.phase].from + m.after - PROGRAM_START
      return [{ id, position: { type: 'phase', phase: m.phase }, run: run.index, moment: k, seconds, point, final }]
    }
    const { id, title } = own[k - (moments.length - own.length)]
    const seconds = m.at - PROGRAM_START
    return [{ id, position: { type: 'moment', title }, run: run.index, moment: k, seconds, point, final: false }]
  })
  inRun.sort((a, b) => a.seconds - b.seconds)
  const always = (type: 'start' | 'end' | 'off', offset: number): ReadingMoment => ({
    id: type,
    position: { type, program: run.program },
    run: run.index,
    moment: moments.length + offset,
    seconds: program.duration,
    point: snapshots[moments.length + offset]!,
    final: true,
  })
  return [...inRun, always('start', 0), always('end', 1), always('off', 2)]
}

/** Runs the healthy machine once per program and marks every phase it reaches, the sheet's own moments, and the ends. */
export function runHealthy(machine: Machine): HealthyRuns {
  const cache = newSimulationCache()
  const faulted = makeFaultedMachine(machine)
  const runs: Run[] = []
  const add = (program: number, moments: readonly Moment[], interventions: readonly Intervention[] = []): Run => {
    const run = { index: runs.length, program, script: scriptOf(machine, program, moments), interventions }
    runs.push(run)
    return run
  }
  const moments = machine.programs.map(({ index, duration }) => {
    const steps = programSteps(machine, index, PROGRAM_START)
    const script = { steps, until: PROGRAM_START + duration, stopsWhenFinal: true, moments: [] }
    return momentsOf(machine, index, simulate(faulted, script, cache))
  })
  const healthy: Timeline[] = []
  const readingMoments = machine.programs.flatMap(({ index }) => {
    const run = add(index, moments[index])
    healthy.push(simulate(faulted, run.script, cache))
    return readingMomentsOf(machine, run, moments[index], healthy[run.index])
  })
  const addRun: HealthyRuns['addRun'] = (program, interventions, moment) => {
    const same = (r: Run) => r.program === program && JSON.stringify(r.interventions) === JSON.stringify(interventions)
    const known = runs.find(same)
    const run = known ?? add(program, moments[program], interventions)
    // What comes after the last reading is of no use to anybody.
    const needed = new Set([...(known ? known.script.neededMoments! : []), moment])
    run.script = { ...run.script, neededMoments: [...needed] }
    return run.index
  }
  const addWatch: HealthyRuns['addWatch'] = (index, watch) => {
    const run = runs[index]
    const watches = [...(run.script.watches ?? []), watch]
    run.script = { ...run.script, watches }
    return watches.length - 1
  }
  return { machine, runs, healthy, readingMoments, addRun, addWatch }
}
