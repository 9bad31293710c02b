import type { FaultedMachine } from '../../model/machine'
import {
  programSteps,
  simulate,
  type Moment,
  type OperatingPoint,
  type SimulationCache,
  type Turn,
} from '../../simulation/simulate'
import { PROGRAM_START } from '../../diagnosis/catalogue'

/** A signal that somebody can notice. */
export interface Signal {
  part: number
  signal: string
}

/** What a machine does in one run, s since the program was started. */
export interface MachineCourse {
  /** Phases in the order in which they began; -1 where the control had no supply. */
  phases: readonly { phase: number; at: number }[]
  /** How each signal stood at first and each turn of it. */
  turns: readonly (readonly Turn[])[]
  alarms: readonly { code: string; at: number; on: boolean }[]
  /** The machine at evenly spaced moments, where they were asked for. */
  points: readonly { at: number; point: OperatingPoint }[]
  /** When anything switched, in order. */
  changes: readonly number[]
  ended: number
}

/** Without what lasts no time, which nobody notices, and without what then only stays as it is. */
function lasting<T extends { at: number }>(list: readonly T[], same: (a: T, b: T) => boolean): T[] {
  const kept = list.filter((x, i) => i === list.length - 1 || list[i + 1].at > x.at)
  return kept.filter((x, i) => i === 0 || !same(kept[i - 1], x))
}

/** How a signal stood at first, and its turns. */
function turnsThatLast([first, ...turns]: readonly Turn[]): Turn[] {
  if (!first) return []
  const kept = lasting(turns, (a, b) => a.on === b.on)
  return [first, ...(kept[0]?.on === first.on ? kept.slice(1) : kept)]
}

/**
 * Runs one machine through a program and keeps what can be noticed of it.
 *
 * @param samples how many evenly spaced moments it is looked at for curves; 0 for none
 */
export function courseOf(
  faulted: FaultedMachine,
  program: number,
  signals: readonly Signal[],
  samples: number,
  cache?: SimulationCache,
): MachineCourse {
  const { machine } = faulted
  const { duration } = machine.programs[program]
  const until = PROGRAM_START + duration
  const moments = Array.from({ length: samples }, (_, k): Moment => ({
    type: 'time',
    at: PROGRAM_START + ((k + 0.5) * duration) / samples,
  }))
  const run = simulate(
    faulted,
    {
      steps: programSteps(machine, program, PROGRAM_START),
      until,
      stopsWhenFinal: samples === 0,
      moments,
      watches: signals.map(({ part, signal }) => ({
        through: { type: 'time', from: 0, to: until + 1 },
        part,
        signal,
        recorded: true,
      })),
    },
    cache,
  )
  const since = (time: number) => Math.max(0, time - PROGRAM_START)
  const begun = (time: number) => time >= PROGRAM_START - 1e-9
  return {
    phases: lasting(
      run.events.flatMap((e) => (e.type === 'phase' && begun(e.time) ? [{ phase: e.phase, at: since(e.time) }] : [])),
      (a, b) => a.phase === b.phase,
    ),
    turns: run.watched.map((w) => turnsThatLast((w?.turns ?? []).map(({ at, on }) => ({ at: since(at), on })))),
    alarms: run.events.flatMap((e) =>
      e.type === 'alarm' || e.type === 'cleared' ? [{ code: e.code, at: since(e.time), on: e.type === 'alarm' }] : [],
    ),
    points: run.snapshots.flatMap((point, k) => (point ? [{ at: ((k + 0.5) * duration) / samples, point }] : [])),
    changes: run.events.flatMap((e) =>
      (e.type === 'mode' || e.type === 'phase') && begun(e.time) ? [since(e.time)] : [],
    ),
    ended: since(run.end.time),
  }
}

/** The machine at these moments of a program, s since its start; those that do not come are left out. */
export function pointsAt(
  faulted: FaultedMachine,
  program: number,
  times: readonly number[],
): { at: number; point: OperatingPoint }[] {
  const { machine } = faulted
  const { snapshots } = simulate(faulted, {
    steps: programSteps(machine, program, PROGRAM_START),
    until: PROGRAM_START + machine.programs[program].duration,
    stopsWhenFinal: false,
    moments: times.map((at): Moment => ({ type: 'time', at: PROGRAM_START + at })),
    neededMoments: times.map((_, k) => k),
  })
  return times.flatMap((at, k) => {
    const point = snapshots[k]
    return point ? [{ at, point }] : []
  })
}
