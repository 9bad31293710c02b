import type { Part } from '../../model/kinds'
import type { FaultedMachine } from '../../model/machine'
import type { OperatingPoint } from '../../simulation/simulate'
import type { Calibration } from '../calibration'
import type { ParamShift } from './types'

/** A threshold at which a part might as well decide otherwise, moved far enough for it to do so. */
export interface ThresholdBranch extends ParamShift {
  /** That it does, 0 … 1. */
  chance: number
}

/**
 * Finds the pull-in thresholds that stand so near to what their coils get that tolerances decide. Floats and thermostats
 * are not asked: what they wait for goes past their threshold in time, sooner or later.
 */
export class ThresholdSearch {
  /** What was found before, by circuit. */
  private readonly known = new Map<string, ThresholdBranch[]>()

  constructor(private readonly calibration: Calibration['hypotheses']) {}

  /**
   * The thresholds in doubt at one of these moments, likeliest first.
   *
   * @param snapshots the machine at moments of its runs; they stay as they are
   */
  branchesAt(snapshots: readonly OperatingPoint[]): ThresholdBranch[] {
    const byParam = new Map<number, ThresholdBranch>()
    for (const point of snapshots) {
      const key = `${point.circuit.key}|${point.faulted.heldModes.join()}`
      let found = this.known.get(key)
      if (!found) this.known.set(key, (found = this.branchesNow(point)))
      for (const branch of found)
        if (branch.chance > (byParam.get(branch.param)?.chance ?? 0)) byParam.set(branch.param, branch)
    }
    return [...byParam.values()]
      .sort((a, b) => b.chance - a.chance || a.param - b.param)
      .slice(0, this.calibration.maxBranches)
  }

  private branchesNow(point: OperatingPoint): ThresholdBranch[] {
    const { branchSteps, branchMargin, branchSpread } = this.calibration
    const { faulted, modes } = point
    const { machine, heldModes, standardDeviations } = faulted
    const out: ThresholdBranch[] = []
    const moved = new Map<number, OperatingPoint>()
    const movedBy = (distance: number): OperatingPoint => {
      let other = moved.get(distance)
      if (!other) moved.set(distance, (other = point.withFaulted(this.withThresholdsMoved(faulted, distance))))
      return other
    }
    for (const part of faulted.parts)
      for (const param of thresholdsOf(faulted, part)) {
        const note = (side: 1 | -1, turns: (moved: OperatingPoint) => boolean) => {
          if (!turns(movedBy(side * branchSteps.at(-1)!.distance))) return
          const step = branchSteps.find(({ distance }) => turns(movedBy(side * distance)))!
          const by = side * branchMargin * step.distance * branchSpread * standardDeviations[param]
          out.push({ param, by, chance: step.probability })
        }
        if (requests(point, part)) continue
        note(-1, (other) => requests(other, part))
        for (const mode of Object.values(part.mode)) {
          const rest = machine.modes[mode]
          if (heldModes[mode] >= 0 || modes[mode] === rest || !requests(point.withMode(mode, rest), part, mode))
            continue
          note(1, (other) => !requests(other.withMode(mode, rest), part, mode))
        }
      }
    return out
  }

  private withThresholdsMoved(faulted: FaultedMachine, distance: number): FaultedMachine {
    const { branchSpread } = this.calibration
    const values = faulted.values.slice()
    for (const part of faulted.parts)
      for (const param of thresholdsOf(faulted, part))
        values[param] += distance * branchSpread * faulted.standardDeviations[param]
    return { ...faulted, values }
  }
}

/** The thresholds of a coil that a fault has not set, and that are not exact. */
function thresholdsOf({ machine, values, standardDeviations }: FaultedMachine, part: Part): number[] {
  const { hysteresis = [], windings } = machine.kinds[part.index]
  if (!windings?.length) return []
  return hysteresis
    .map(([upper]) => part.param[upper])
    .filter((i) => standardDeviations[i] > 0 && values[i] === machine.values[i])
}

/** Whether a part wants a mode changed (any, or the one named). */
function requests(point: OperatingPoint, part: Part, only?: number): boolean {
  const { machine, heldModes } = point.faulted
  let requested = false
  machine.kinds[part.index].transition?.(part, point, (mode, value) => {
    requested ||= heldModes[mode] < 0 && point.modes[mode] !== value && (only === undefined || mode === only)
  })
  return requested
}
