import type { Part } from '../../model/kinds'
import type { FaultedMachine } from '../../model/machine'
import type { OperatingPoint } from '../../simulation/simulate'
import type { ParamShift } from './types'

/** A threshold at which a part might as well decide otherwise, moved far enough for it to do so. */
export interface ThresholdBranch extends ParamShift {
  /** That it does, 0 … 1. */
  chance: number
}

/**
 * How far thresholds are moved, in standard deviations of what they stand against, and the chance that a part decides otherwise which
 * does so there and not at the step before: the tail of a Gaussian.
 */
const STEPS = [
  { far: 0.25, chance: 0.45 },
  { far: 0.6, chance: 0.34 },
  { far: 1, chance: 0.21 },
  { far: 1.4, chance: 0.12 },
  { far: 2, chance: 0.05 },
]
const FARTHEST = STEPS.at(-1)!
/** What a coil gets is about as uncertain as what it needs. */
const AGAINST = Math.SQRT2
/** A threshold is moved this much further than where the part turned round. */
const BEYOND = 1.2
/** Thresholds that one member may have in doubt. */
const MOST_TOSSED = 5

/**
 * The pull-in thresholds that stand so near to what their coils get, at one of these moments, that tolerances decide. Floats and
 * thermostats are not asked: what they wait for goes past their threshold in time, sooner or later.
 *
 * @param snapshots the machine at moments of its runs; they stay as they are
 * @param known what was found before, by circuit; added to
 */
export function findThresholdBranches(
  snapshots: readonly OperatingPoint[],
  known: Map<string, ThresholdBranch[]>,
): ThresholdBranch[] {
  const thresholdBranches = new Map<number, ThresholdBranch>()
  for (const point of snapshots) {
    const key = `${point.circuit.key}|${point.faulted.heldModes.join()}`
    let found = known.get(key)
    if (!found) known.set(key, (found = marginalNow(point)))
    for (const branch of found)
      if (branch.chance > (thresholdBranches.get(branch.param)?.chance ?? 0))
        thresholdBranches.set(branch.param, branch)
  }
  return [...thresholdBranches.values()].sort((a, b) => b.chance - a.chance || a.param - b.param).slice(0, MOST_TOSSED)
}

function marginalNow(point: OperatingPoint): ThresholdBranch[] {
  const { faulted, modes } = point
  const { machine, heldModes, standardDeviations } = faulted
  const thresholdBranches: ThresholdBranch[] = []
  const points = new Map<number, OperatingPoint>()
  const movedBy = (far: number): OperatingPoint => {
    let moved = points.get(far)
    if (!moved) points.set(far, (moved = point.withFaulted(thresholdsMoved(faulted, far))))
    return moved
  }
  for (const part of faulted.parts)
    for (const param of thresholdsOf(faulted, part)) {
      const note = (side: 1 | -1, turns: (moved: OperatingPoint) => boolean) => {
        if (!turns(movedBy(side * FARTHEST.far))) return
        const { far, chance } = STEPS.find((step) => turns(movedBy(side * step.far)))!
        thresholdBranches.push({ param, by: side * BEYOND * far * AGAINST * standardDeviations[param], chance })
      }
      if (asks(point, part)) continue
      note(-1, (moved) => asks(moved, part))
      for (const mode of Object.values(part.mode)) {
        const rest = machine.modes[mode]
        if (heldModes[mode] >= 0 || modes[mode] === rest || !asks(point.withMode(mode, rest), part, mode)) continue
        note(1, (moved) => !asks(moved.withMode(mode, rest), part, mode))
      }
    }
  return thresholdBranches
}

/** The thresholds of a coil that a fault has not set, and that are not exact. */
function thresholdsOf({ machine, values, standardDeviations }: FaultedMachine, part: Part): number[] {
  const { hysteresis = [], windings } = machine.kinds[part.index]
  if (!windings?.length) return []
  return hysteresis
    .map(([upper]) => part.param[upper])
    .filter((i) => standardDeviations[i] > 0 && values[i] === machine.values[i])
}

function thresholdsMoved(faulted: FaultedMachine, far: number): FaultedMachine {
  const values = faulted.values.slice()
  for (const part of faulted.parts)
    for (const param of thresholdsOf(faulted, part)) values[param] += far * AGAINST * faulted.standardDeviations[param]
  return { ...faulted, values }
}

/** Whether a part wants a mode changed (any, or the one named). */
function asks(point: OperatingPoint, part: Part, only?: number): boolean {
  const { machine, heldModes } = point.faulted
  let asked = false
  machine.kinds[part.index].transition?.(part, point, (mode, value) => {
    asked ||= heldModes[mode] < 0 && point.modes[mode] !== value && (only === undefined || mode === only)
  })
  return asked
}
