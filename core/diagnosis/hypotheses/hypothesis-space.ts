import { severityAt, unlistedFaults, type Fault, type Machine, type ActiveFault } from '../../model/machine'
import type { Calibration } from '../calibration'
import type { ThresholdBranch } from './threshold-branches'
import type { Hypothesis, ParamShift } from './types'

/** What the space must know of the run of each hypothesis. */
export interface RunOracle {
  /** The course that the machine takes under a hypothesis, as a text: what it comes to and who complains, without when. */
  outcomeSignature(hypothesis: Hypothesis): string
  /** Thresholds at which tolerances decide which course the machine takes under a hypothesis. */
  thresholdBranches(hypothesis: Hypothesis): ThresholdBranch[]
  /** Called with pairs made long ago, now and then: their runs may be let go. */
  forget(old: Hypothesis): void
}

/** The ways in which a machine may be: healthy first, then single faults by severity; pairs when asked for. */
export class HypothesisSpace {
  readonly healthy: Hypothesis
  private made = 0
  private readonly pairs = new Map<string, Hypothesis>()
  private known: readonly Hypothesis[] | undefined

  constructor(
    private readonly machine: Machine,
    private readonly runs: RunOracle,
    private readonly calibration: Calibration['hypotheses'],
  ) {
    const total = machine.faults.reduce((sum, f) => sum + f.ratePerYear, 0)
    this.healthy = this.make([], calibration.healthyShare * total)
  }

  /** Healthy first, then every listed fault by severity. Runs each of them when first asked for. */
  get singles(): readonly Hypothesis[] {
    return (this.known ??= [this.healthy, ...this.machine.faults.flatMap((fault) => this.single(fault))])
  }
  private single(fault: Fault): Hypothesis[] {
    const { restingShare, missProbabilities, halvings } = this.calibration
    const resting = fault.ratePerYear * fault.intermittentShare * restingShare
    const rest = (resting > 0 ? missProbabilities : []).map((missProbability) => {
      // On the days when it acts it acts as it does at its worst: a joint that comes and goes opens wide.
      const severity = fault.severity && severityAt(fault.severity, 1 - 1 / (2 * this.calibration.severityNodes))
      return this.make([{ fault, severity, missProbability }], resting / missProbabilities.length)
    })
    const acting = this.always(fault, fault.ratePerYear - resting, halvings)
    return [...rest, ...acting.flatMap((hypothesis) => this.withBranches(hypothesis))]
  }

  private make(
    activeFaults: readonly ActiveFault[],
    weight: number,
    neighbours: Hypothesis['neighbours'] = [],
    moved: readonly ParamShift[] = [],
  ): Hypothesis {
    return { index: this.made++, activeFaults, shifts: moved, priorWeight: weight, neighbours }
  }
  /**
   * A hypothesis, and beside it those in which one threshold falls the other way, and all of them. The shares keep the chance of each
   * threshold and the chance that none does; what hardly ever happens is left out.
   */
  private withBranches(hypothesis: Hypothesis): Hypothesis[] {
    const thresholdBranches = this.runs.thresholdBranches(hypothesis)
    const { activeFaults, priorWeight: weight, neighbours } = hypothesis
    const chances = thresholdBranches.map((t) => t.chance)
    const any = 1 - chances.reduce((none, p) => none * (1 - p), 1)
    const sum = chances.reduce((s, p) => s + p, 0)
    const all = thresholdBranches.length > 1 ? Math.min((sum - any) / (thresholdBranches.length - 1), ...chances) : 0
    const others = [
      ...thresholdBranches.map((branch) => ({ share: branch.chance - all, moved: [branch] })),
      { share: all, moved: thresholdBranches },
    ]
    const met = others.filter(({ share }) => share > this.calibration.negligibleBranch)
    hypothesis.priorWeight = weight * (1 - met.reduce((s, { share }) => s + share, 0))
    return [hypothesis, ...met.map(({ share, moved }) => this.make(activeFaults, weight * share, neighbours, moved))]
  }
  /**
   * The hypotheses of a fault that acts whenever it can: one for each node of its severity. Where the machine takes another course at
   * one node than at the next, a node is put between them, and again where that leaves a change.
   */
  private always(fault: Fault, weight: number, halvings: number): Hypothesis[] {
    const { severity: range } = fault
    const { severityNodes } = this.calibration
    if (!range) return [this.make([{ fault, severity: undefined }], weight)]
    const at = (u: number) => ({ u, hypothesis: this.make([{ fault, severity: severityAt(range, u) }], 0) })
    let nodes = Array.from({ length: severityNodes }, (_, i) => at((i + 0.5) / severityNodes))
    for (let round = 0; round < halvings; round++)
      nodes = nodes.flatMap((node, i) => {
        const next = nodes[i + 1]
        if (!next || this.runs.outcomeSignature(node.hypothesis) === this.runs.outcomeSignature(next.hypothesis))
          return [node]
        return [node, at((node.u + next.u) / 2)]
      })
    const border = (i: number) => (i === 0 ? 0 : i === nodes.length ? 1 : (nodes[i - 1].u + nodes[i].u) / 2)
    const own = nodes.map(({ hypothesis }) => hypothesis)
    own.forEach((hypothesis, i) => {
      hypothesis.priorWeight = weight * (border(i + 1) - border(i))
      hypothesis.neighbours.push(() => ({ below: own[i - 1], above: own[i + 1] }))
    })
    return own
  }

  private beside: readonly Hypothesis[] | undefined
  /** Hypotheses for what the kinds know and the sheet does not list: outside the hypothesis space. */
  get unlistedHypotheses(): readonly Hypothesis[] {
    return (this.beside ??= unlistedFaults(this.machine).flatMap((f) => this.always(f, f.ratePerYear, 0)))
  }

  /** The hypothesis with the faults of two single ones in one machine, made once. */
  pair(a: Hypothesis, b: Hypothesis, weight: number): Hypothesis {
    const [x, y] = a.index < b.index ? [a, b] : [b, a]
    const key = `${x.index}+${y.index}`
    const known = this.pairs.get(key)
    // It may have been made before as the neighbour of another, without a weight of its own.
    if (known) {
      known.priorWeight ||= weight
      return known
    }
    const beside = (one: Hypothesis, make: (other: Hypothesis) => Hypothesis): Hypothesis['neighbours'] =>
      one.neighbours.map((find) => () => {
        const { below, above } = find()
        // One side is enough for the width of a node and saves a run.
        return above ? { below: undefined, above: make(above) } : { below: below && make(below), above: undefined }
      })
    this.forgetOld()
    const hypothesis = this.make(
      [...x.activeFaults, ...y.activeFaults],
      weight,
      [...beside(x, (other) => this.pair(other, y, 0)), ...beside(y, (other) => this.pair(x, other, 0))],
      [...x.shifts, ...y.shifts],
    )
    this.pairs.set(key, hypothesis)
    return hypothesis
  }

  private forgetOld(): void {
    const { pairsKept } = this.calibration
    if (this.pairs.size % pairsKept !== 0) return
    for (const old of [...this.pairs.values()].slice(0, -pairsKept / 2)) this.runs.forget(old)
  }

  private readonly awake = new Map<number, Hypothesis>()
  /** A hypothesis with all its faults acting. */
  acting(hypothesis: Hypothesis): Hypothesis {
    let acting = this.awake.get(hypothesis.index)
    if (!acting) {
      acting = this.hypothesisFor(hypothesis.activeFaults.map(({ fault, severity }) => ({ fault, severity })))
      this.awake.set(hypothesis.index, acting)
    }
    return acting
  }

  /** A hypothesis of exactly these faults, outside the hypothesis space: for what-if questions. */
  hypothesisFor(activeFaults: readonly ActiveFault[]): Hypothesis {
    return this.make(activeFaults, 0)
  }
}
