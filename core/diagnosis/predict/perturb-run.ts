import { makeFaultedMachine, type Machine } from '../../model/machine'
import { influenceOf, newSimulationCache, simulate, type SimulationCache } from '../../simulation/simulate'
import type { TestCatalogue } from '../catalogue'
import type { RunRecord } from './types'

/** How a run changes when one parameter after another is one standard deviation up. */
export interface RunSensitivity {
  /** Relative change of the length of each phase, by parameter. */
  lengths: Float64Array[]
  /** The same of the time for which each watch that is timed was on; `undefined` for the others. */
  onTimes: (Float64Array | undefined)[]
  /** Change of the states at each moment, by parameter; `undefined` where it was not tried or the moment not reached. */
  states: (Float64Array | undefined)[][]
}

/** Parameters that can move water, heat or time. */
function movingParams(machine: Machine, cache: SimulationCache): Set<number> {
  const { onCircuit, onWater } = influenceOf(machine, cache)
  const own = machine.parts.flatMap((p) => {
    const [kind, params] = [machine.kinds[p.index], Object.values(p.param)]
    if (Object.keys(p.ref).length || kind.returns?.of === 'supply') return params
    // Of a winding's ohms the water knows nothing as long as it pulls in.
    return Object.keys(p.ports).length
      ? params.filter((i) => kind.rates || onWater.param[i] || !onCircuit.param[i])
      : []
  })
  // Timers move whatever they let begin and end.
  const timers = machine.params.flatMap(({ index, dimension }) => (dimension === 'time' ? [index] : []))
  return new Set([0, ...own, ...timers])
}

/**
 * Runs the healthy machine again with each parameter that can move water, heat or time one standard deviation up.
 *
 * @param run index of the catalogue's run
 * @param healthy the same run as it usually goes
 */
export function perturbRun({ machine, runs }: TestCatalogue, run: number, healthy: RunRecord): RunSensitivity {
  const { interventions } = runs[run]
  const watches = (runs[run].script.watches ?? []).flatMap((watch, index) => (watch.timed ? [{ watch, index }] : []))
  const script = { ...runs[run].script, watches: watches.map(({ watch }) => watch) }
  const lengths = machine.phases.map(() => new Float64Array(machine.params.length))
  const onTimes = (runs[run].script.watches ?? []).map((w) =>
    w.timed ? new Float64Array(machine.params.length) : undefined,
  )
  const states = script.moments.map((): (Float64Array | undefined)[] => machine.params.map(() => undefined))
  // Shared by these runs alone: most circuits and water networks are the same in all of them.
  const cache = newSimulationCache()
  const moving = movingParams(machine, cache)
  for (const { index, sd } of machine.params) {
    if (sd === 0 || !moving.has(index)) continue
    const values = machine.values.slice()
    values[index] += sd
    const other = simulate(makeFaultedMachine(machine, [], interventions, values), script, cache)
    for (const p of machine.phases) {
      const [was, is] = [healthy.phases[p.index], other.phases[p.index]]
      const length = was.to - was.from
      const change = (is.to - is.from) / length - 1
      if (length > 0 && Number.isFinite(change)) lengths[p.index][index] = change
    }
    watches.forEach((w, k) => {
      const change = (other.watched[k]?.on ?? NaN) / (healthy.watched[w.index]?.on ?? NaN) - 1
      if (Number.isFinite(change)) onTimes[w.index]![index] = change
    })
    script.moments.forEach((_, k) => {
      const [was, is] = [healthy.snapshots[k], other.snapshots[k]]
      if (was && is) states[k][index] = is.states.map((x, i) => x - was.states[i])
    })
  }
  return { lengths, onTimes, states }
}
