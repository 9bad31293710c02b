import { withChanges } from '../../foundation/linear'
import type { OperatingPoint } from '../../simulation/simulate'
import type { Calibration } from '../calibration'
import type { TestCatalogue } from '../catalogue'
import { perturbRun, type RunSensitivity } from './perturb-run'
import type { RunRecord, ValuePrediction } from './types'

/** What readings owe to where the states have come to, from runs of the healthy machine with each parameter moved. */
export class StateSensitivity {
  private readonly known = new Map<number, RunSensitivity>()

  /** @param healthy the run of the healthy machine, by index */
  constructor(
    private readonly catalogue: TestCatalogue,
    private readonly healthy: (run: number) => RunRecord,
    private readonly calibration: Calibration['predict'],
  ) {}

  of(run: number): RunSensitivity {
    let known = this.known.get(run)
    if (!known) this.known.set(run, (known = perturbRun(this.catalogue, run, this.healthy(run))))
    return known
  }

  /**
   * The prediction with what its value owes to the states: their change with each parameter, on the healthy machine at
   * the same moment, times the slope of the reading in each state.
   *
   * @param read the reading at any operating point
   * @param size how many shared parameters there are
   */
  addTo(
    p: ValuePrediction,
    run: number,
    moment: number,
    point: OperatingPoint,
    read: (point: OperatingPoint) => number,
    size: number,
  ): ValuePrediction {
    const changes = this.of(run).states[moment]
    if (!changes) return p
    const { stateTolerance, params } = this.catalogue.machine
    const moved = new Float64Array(params.length)
    for (let i = 0; i < stateTolerance.length; i++) {
      const widest = changes.reduce((most, dx) => Math.max(most, dx ? Math.abs(dx[i]) : 0), 0)
      if (widest < stateTolerance[i]) continue
      const states = point.states.slice()
      states[i] += widest
      const slope = (read(point.withStates(states)) - p.mean) / widest
      if (!Number.isFinite(slope) || slope === 0) continue
      changes.forEach((dx, index) => {
        if (dx) moved[index] += slope * dx[i]
      })
    }
    const least = this.calibration.unfelt * p.reproducibility
    const sensitivity = withChanges(p.sensitivity, size, (all) => moved.forEach((x, index) => (all[index] += x)), least)
    return { ...p, sensitivity }
  }
}
