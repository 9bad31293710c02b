import type { Intervention } from '../../model/machine'
import type { Calibration } from '../calibration'
import type { Run, TestCatalogue } from '../catalogue'
import { ThresholdSearch, type Hypothesis, type ThresholdBranch } from '../hypotheses'
import type { RunCache } from './run-cache'
import type { RunRecord } from './types'

/** The machine as its customer sees it, who knows nothing of service modes: before anything was tripped, blown or moved. */
export class CustomersView {
  private readonly thresholds: ThresholdSearch

  constructor(
    private readonly catalogue: TestCatalogue,
    private readonly runs: RunCache,
    calibration: Calibration['hypotheses'],
  ) {
    this.thresholds = new ThresholdSearch(calibration)
  }

  /** A run as the customer saw it. */
  run(hypothesis: Hypothesis, run: number, interventions: readonly Intervention[] = []): RunRecord {
    return this.runs.record(hypothesis, run, interventions)
  }
  private get plainRuns(): Run[] {
    const { runs, machine } = this.catalogue
    return runs.filter((r) => !r.interventions.length && machine.programs[r.program].serviceMinutes === undefined)
  }
  /** Whether a complaint of the sheet comes true in any plain run. @param acting with all its faults acting */
  showsComplaint(acting: Hypothesis, complaint: number, interventions: readonly Intervention[]): boolean {
    return this.plainRuns.some((r) => this.run(acting, r.index, interventions).complaints[complaint])
  }
  /** What the plain runs come to under a hypothesis, as a text: the phases reached, the codes shown, the complaints. */
  outcomeSignature(hypothesis: Hypothesis): string {
    const runs = this.plainRuns.map((r) => this.run(hypothesis, r.index))
    const said = runs[0]?.complaints.map((_, k) => runs.some((r) => r.complaints[k]))
    return JSON.stringify([said, runs.map((r) => [r.displayedCodes, r.phases.map(({ from }) => from >= 0)])])
  }
  /** Thresholds at which tolerances decide which course a plain run takes. */
  thresholdBranches(hypothesis: Hypothesis): ThresholdBranch[] {
    return this.thresholds.branchesAt(
      this.plainRuns.flatMap((r) => this.run(hypothesis, r.index).snapshots.filter((s) => s !== undefined)),
    )
  }
}
