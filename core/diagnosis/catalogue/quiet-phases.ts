import { makeFaultedMachine } from '../../model/machine'
import { newSimulationCache, simulate, type Watch } from '../../simulation/simulate'
import type { HealthyRuns, ReadingMoment } from './types'

/** Phases of the healthy machine shorter than this are over before anybody looks, s. */
const SHORTEST_WATCH = 5

/**
 * For each of some signals, the phases through which the healthy machine never shows it: whoever sees it there has seen a fault.
 *
 * @param signals of parts (by index)
 * @returns for each signal, moments in the phases, in the order of programs, then of time
 */
export function quietPhases(
  { machine, runs, healthy, readingMoments }: HealthyRuns,
  signals: readonly Omit<Watch, 'through'>[],
): ReadingMoment[][] {
  const found = signals.map((): ReadingMoment[] => [])
  if (!signals.length) return found
  const cache = newSimulationCache()
  const faulted = makeFaultedMachine(machine)
  for (const run of runs) {
    const lengthOf = (phase: number) => healthy[run.index].phases[phase].to - healthy[run.index].phases[phase].from
    const places = readingMoments.flatMap((moment) => {
      const { position, final } = moment
      const fits = moment.run === run.index && position.type === 'phase' && !final
      return fits && !(lengthOf(position.phase) < SHORTEST_WATCH) ? [{ moment, phase: position.phase }] : []
    })
    const watches = places.flatMap(({ phase }) =>
      signals.map((s): Watch => ({ ...s, through: { type: 'phase', phase } })),
    )
    const { watched } = simulate(faulted, { ...run.script, moments: [], watches }, cache)
    places.forEach(({ moment }, i) =>
      signals.forEach((_, k) => {
        if (watched[i * signals.length + k]?.ever === false) found[k].push(moment)
      }),
    )
  }
  return found
}
