import { makeFaultedMachine, type Intervention, type Machine } from '../../model/machine'
import { simulate, type Moment, type OperatingPoint, type Timeline } from '../../simulation/simulate'
import type { Run } from './types'

/** Seconds between the start of a script and the start of its program. */
export const PROGRAM_START = 1
/** Longest time after the entry of a phase at which it is read, s. */
const SETTLE = 4
/** Between isolating and a dead reading: panel, proving, clips; s. */
const DEAD_AFTER = 180

/** A moment of a run at which something can be read. */
export interface ReadingMoment {
  /** Id of a phase or of a moment of the sheet; `start`, `end` and `off` for those that every run has. */
  id: string
  type: 'phase' | 'moment' | 'start' | 'end' | 'off'
  run: number
  /** Index into the moments of the run. */
  moment: number
  title: string
  /** Seconds since the start of the program on the healthy machine. */
  seconds: number
  point: OperatingPoint
  /** Nothing runs any more, or not yet. */
  final: boolean
}

/** Runs of the healthy machine and the moments in them that tests are placed at. */
export interface HealthyRuns {
  machine: Machine
  runs: Run[]
  /** The healthy machine through the plain run of each program. */
  healthy: Timeline[]
  /** In the order of programs, then of time. */
  readingMoments: ReadingMoment[]
  /** Adds a run of a program with something done by hand, as far as the moment that is asked for; moments as in its plain run. */
  addRun(program: number, interventions: readonly Intervention[], moment: number): number
}

/** Runs the healthy machine once per program and marks every phase it reaches, the sheet's own moments, and the ends. */
export function runHealthy(machine: Machine): HealthyRuns {
  const { sheet } = machine
  const runs: Run[] = []
  const healthy: Timeline[] = []
  const add = (program: number, moments: readonly Moment[], interventions: readonly Intervention[] = []): number => {
    const { duration: lasts } = machine.programs[program]
    const script = {
      steps: [
        { at: PROGRAM_START, start: program },
        { at: PROGRAM_START + lasts, hold: [...machine.isolators] },
      ],
      until: PROGRAM_START + lasts + DEAD_AFTER,
      stopsWhenFinal: false,
      moments: [
        ...moments,
        { type: 'time' as const, at: PROGRAM_START / 2 },
        { type: 'time' as const, at: PROGRAM_START + lasts - 0.5 },
        { type: 'time' as const, at: PROGRAM_START + lasts + DEAD_AFTER },
      ],
    }
    const index = runs.length
    runs.push({ index, program, script, interventions })
    return index
  }
  const addRun: HealthyRuns['addRun'] = (program, interventions, moment) => {
    const known = runs.find(
      (r) => r.program === program && JSON.stringify(r.interventions) === JSON.stringify(interventions),
    )
    const { index, script } = known ?? runs[add(program, momentsOf[program], interventions)]
    // What comes after the last reading is of no use to anybody.
    runs[index].script = { ...script, neededMoments: [...new Set([...(known ? script.neededMoments! : []), moment])] }
    return index
  }
  const momentsOf: Moment[][] = machine.programs.map((program) => {
    const trial = simulate(makeFaultedMachine(machine), {
      steps: [{ at: PROGRAM_START, start: program.index }],
      until: PROGRAM_START + program.duration,
      stopsWhenFinal: true,
      moments: [],
    })
    const moments: Moment[] = machine.phases.flatMap((phase): Moment[] => {
      const { from, to } = trial.phases[phase.index]
      if (Number.isNaN(from)) return []
      const length = Number.isNaN(to) ? Infinity : to - from
      return [{ type: 'phase', phase: phase.index, after: Math.min(SETTLE, length / 2) }]
    })
    for (const m of sheet.moments)
      if (m.program === program.id) moments.push({ type: 'time', at: PROGRAM_START + m.after })
    return moments
  })
  const readingMoments: ReadingMoment[] = []
  for (const program of machine.programs) {
    const moments = momentsOf[program.index]
    const run = add(program.index, moments)
    healthy.push(simulate(makeFaultedMachine(machine), runs[run].script))
    const { snapshots, phases } = healthy[run]
    const own = sheet.moments.filter((m) => m.program === program.id)
    const inRun: ReadingMoment[] = moments.flatMap((m, k): ReadingMoment[] => {
      const point = snapshots[k]
      if (!point) return []
      if (m.type === 'phase') {
        const phase = machine.phases[m.phase]
        const seconds = phases[m.phase].from + m.after - PROGRAM_START
        const title = `while ${phase.title} runs`
        return [{ id: phase.id, type: 'phase', run, moment: k, title, seconds, point, final: phase.final }]
      }
      const { id, title } = own[k - (moments.length - own.length)]
      return [{ id, type: 'moment', run, moment: k, title, seconds: m.at - PROGRAM_START, point, final: false }]
    })
    inRun.sort((a, b) => a.seconds - b.seconds)
    const tail = (is: 'start' | 'end' | 'off', offset: number, title: string): ReadingMoment => {
      const moment = moments.length + offset
      return { id: is, type: is, run, moment, title, seconds: program.duration, point: snapshots[moment]!, final: true }
    }
    readingMoments.push(
      ...inRun,
      tail('start', 0, 'with the supply on, before a program is started'),
      tail('end', 1, `after ${program.title} has run out or stopped`),
      tail('off', 2, 'switched off and proved dead'),
    )
  }
  return { machine, runs, healthy, readingMoments: readingMoments, addRun }
}
