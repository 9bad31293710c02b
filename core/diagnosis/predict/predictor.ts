import { startingStates, type ActiveFault, type Intervention } from '../../model/machine'
import { findMeter } from '../../simulation/instrument'
import { measurementType, type Observation } from '../../simulation/measurements'
import type { OperatingPoint } from '../../simulation/simulate'
import { STANDARD, type Calibration } from '../calibration'
import type { Procedure, TestCatalogue } from '../catalogue'
import { HypothesisSpace, type Hypothesis } from '../hypotheses'
import { CompiledAnswers, type CompiledPredictions } from './compiled'
import { CustomersView } from './customers-view'
import { interventionsKey } from './interventions-key'
import { PredictionStore } from './prediction-store'
import { ReadingModel } from './reading-model'
import { RunCache } from './run-cache'
import { withSeveritySpread } from './severity-spread'
import { SharedParams } from './shared-params'
import { StateSensitivity } from './state-sensitivity'
import { isTimed, isTimedObservation, TimedReadings } from './timed-readings'
import type { Course, Prediction, RunRecord } from './types'

/**
 * Predictions of tests for the hypotheses of a machine, computed when asked for and kept. Two faults are run as two faults
 * in one machine. A prediction handed out is never changed.
 */
export class Predictor {
  private readonly space: HypothesisSpace
  readonly shared: SharedParams
  private readonly runs: RunCache
  private readonly states: StateSensitivity
  private readonly model: ReadingModel
  private readonly timed: TimedReadings
  private readonly customer: CustomersView
  private readonly store = new PredictionStore()
  private compiled: CompiledAnswers | undefined

  constructor(
    readonly catalogue: TestCatalogue,
    readonly calibration: Calibration = STANDARD,
  ) {
    const { machine } = catalogue
    this.runs = new RunCache(catalogue)
    this.customer = new CustomersView(catalogue, this.runs, calibration.hypotheses)
    this.shared = new SharedParams(machine)
    this.model = new ReadingModel(machine, this.shared, calibration.predict)
    this.states = new StateSensitivity(catalogue, (run) => this.run(this.healthy, run), calibration.predict)
    this.timed = new TimedReadings(
      catalogue,
      this.runs,
      this.states,
      this.model,
      () => this.healthy,
      calibration.predict,
    )
    const oracle = {
      outcomeSignature: (hypothesis: Hypothesis) =>
        this.compiled?.signature(hypothesis) ?? this.customer.outcomeSignature(hypothesis),
      thresholdBranches: (hypothesis: Hypothesis) =>
        this.compiled?.branches(hypothesis) ?? this.customer.thresholdBranches(hypothesis),
      forget: (hypothesis: Hypothesis) => {
        this.runs.forget(hypothesis)
        this.store.forget(hypothesis)
      },
    }
    this.space = new HypothesisSpace(machine, oracle, calibration.hypotheses)
  }

  get healthy(): Hypothesis {
    return this.space.healthy
  }
  /** Healthy first, then single faults by severity; each is run when they are first asked for. Pairs are made by `pair`. */
  get hypotheses(): readonly Hypothesis[] {
    return this.space.singles
  }
  /** Hypotheses for what the kinds know and the sheet does not list: outside the hypothesis space. */
  get unlistedHypotheses(): readonly Hypothesis[] {
    return this.space.unlistedHypotheses
  }
  /** The hypothesis with the faults of two single ones in one machine, made once. */
  pair(a: Hypothesis, b: Hypothesis, weight: number): Hypothesis {
    return this.space.pair(a, b, weight)
  }
  /** A hypothesis for exactly these faults, outside the hypothesis space: for what-if questions. */
  hypothesisFor(activeFaults: readonly ActiveFault[]): Hypothesis {
    return this.space.hypothesisFor(activeFaults)
  }

  /** What `compile` gave for the same sheet with the same readings of good parts: it need not be run for. No answer depends on it. */
  provide(compiled: CompiledPredictions): void {
    this.compiled = new CompiledAnswers(compiled)
  }

  /** The run of a hypothesis through one script of the catalogue, with interventions in, as somebody on a visit sees it. */
  run(hypothesis: Hypothesis, run: number, interventions: readonly Intervention[] = []): RunRecord {
    return this.runs.onVisit(hypothesis, run, interventions)
  }
  /** When that run comes to what. */
  course(hypothesis: Hypothesis, run: number, interventions: readonly Intervention[] = []): Course {
    return this.store.course(
      hypothesis,
      run,
      interventions,
      () =>
        (interventions.length ? undefined : this.compiled?.course(hypothesis, run)) ??
        this.courseRun(hypothesis, run, interventions),
    )
  }
  private courseRun(hypothesis: Hypothesis, run: number, interventions: readonly Intervention[]): Course {
    const { phases, snapshots, watched } = this.run(hypothesis, run, interventions)
    return { phases, arrivals: snapshots.map((s) => s?.time), on: watched.map((w) => w?.on) }
  }
  /** The run that a test reads: what is looked at as it was found was left by the customer's. */
  private runRead(
    hypothesis: Hypothesis,
    { run, needs }: Procedure,
    interventions: readonly Intervention[],
  ): RunRecord {
    return needs.asFound ? this.customer.run(hypothesis, run, interventions) : this.run(hypothesis, run, interventions)
  }
  /** Whether a complaint of the sheet comes true for a hypothesis in any of its plain runs. */
  showsComplaint(hypothesis: Hypothesis, complaint: number, interventions: readonly Intervention[] = []): boolean {
    const known = interventions.length ? undefined : this.compiled?.showsComplaint(hypothesis, complaint)
    if (known !== undefined) return known
    // What an intermittent fault makes the customer say, it says on the days when it acts.
    const rests = hypothesis.activeFaults.some((p) => p.missProbability !== undefined)
    const acting = rests ? this.space.acting(hypothesis) : hypothesis
    return this.customer.showsComplaint(acting, complaint, interventions)
  }

  /**
   * What a test gives under a hypothesis.
   *
   * @param meterId instrument used; the usual one when left out
   * @param interventions what hands have done before the test
   */
  predict(
    hypothesis: Hypothesis,
    procedure: Procedure,
    meterId: string | undefined = procedure.meter,
    interventions: readonly Intervention[] = [],
  ): Prediction {
    const key = `${procedure.key}|${meterId ?? ''}|${interventionsKey(interventions)}`
    const { whole } = this.store.of(hypothesis)
    const known = whole.get(key) ?? this.ready(hypothesis, procedure, 'whole', meterId, interventions)
    if (known) return known
    const own = this.atNode(hypothesis, procedure, meterId, interventions)
    const p =
      own.type === 'value'
        ? withSeveritySpread(
            own,
            hypothesis,
            (other) => this.atNode(other, procedure, meterId, interventions),
            (mean) => this.isComparable(procedure, mean, own.mean),
            this.shared,
            this.calibration.predict.nodeSpread,
          )
        : own
    whole.set(key, p)
    return p
  }
  private ready(
    hypothesis: Hypothesis,
    procedure: Procedure,
    which: 'coarse' | 'whole',
    meterId: string | undefined,
    interventions: readonly Intervention[],
  ): Prediction | undefined {
    if (interventions.length || meterId !== procedure.meter) return undefined
    return this.compiled?.prediction(hypothesis, procedure.id, which)
  }
  /** A phase over in an instant beside one that takes its time is another course of things, not more of the same. */
  private isComparable({ measurement }: Procedure, a: number, b: number): boolean {
    const { instant } = this.calibration.predict
    return !isTimed(measurement) || a < instant === b < instant
  }

  /**
   * A quick prediction for comparing tests: the length of a phase, and how far a reading has come with the water and the
   * heat, get a broad share of themselves as error instead of their exact sensitivities, which need a run for each parameter.
   */
  predictCoarse(hypothesis: Hypothesis, procedure: Procedure, interventions: readonly Intervention[] = []): Prediction {
    const ready = this.ready(hypothesis, procedure, 'coarse', procedure.meter, interventions)
    if (ready) return ready
    const { measurement } = procedure
    const { coarse } = this.store.of(hypothesis)
    const key = `${procedure.key}|${interventionsKey(interventions)}`
    let p = coarse.get(key)
    if (p) return p
    if (isTimed(measurement)) {
      const observation = this.observe(hypothesis, procedure, procedure.meter, interventions)
      p = this.timed.coarse(hypothesis, procedure, observation, interventions)
      coarse.set(key, p)
      return p
    }
    const read = this.stateReading(procedure)
    if (!read) return this.predict(hypothesis, procedure, undefined, interventions)
    p = this.compute(hypothesis, procedure, procedure.meter, interventions)
    if (p.type === 'value') {
      const point = this.pointAt(hypothesis, procedure, interventions)!
      const start = read(point.withStates(startingStates(point.faulted.machine, point.values)))
      const { coarseSpread } = this.calibration.predict
      if (Number.isFinite(start))
        p = { ...p, reproducibility: Math.hypot(p.reproducibility, coarseSpread * (p.mean - start)) }
    }
    coarse.set(key, p)
    return p
  }
  /** The machine as a hypothesis has it at the moment of a test; `undefined` when it never comes to that. */
  private pointAt(
    hypothesis: Hypothesis,
    procedure: Procedure,
    interventions: readonly Intervention[],
  ): OperatingPoint | undefined {
    return this.runRead(hypothesis, procedure, interventions).snapshots[procedure.moment]
  }
  private stateReading({ measurement }: Procedure): ((point: OperatingPoint) => number) | undefined {
    return measurementType(measurement).stateReading?.(measurement, this.catalogue.machine)
  }

  private atNode(
    hypothesis: Hypothesis,
    procedure: Procedure,
    meterId: string | undefined,
    interventions: readonly Intervention[],
  ): Prediction {
    const key = `${procedure.key}|${meterId ?? ''}|${interventionsKey(interventions)}`
    const { atNode } = this.store.of(hypothesis)
    const known = atNode.get(key)
    if (known) return known
    let p = this.compute(hypothesis, procedure, meterId, interventions)
    const read = this.stateReading(procedure)
    if (p.type === 'value' && read) {
      const point = this.pointAt(hypothesis, procedure, interventions)!
      p = this.states.addTo(p, procedure.run, procedure.moment, point, read, this.shared.count)
    }
    atNode.set(key, p)
    return p
  }

  private compute(
    hypothesis: Hypothesis,
    procedure: Procedure,
    meterId: string | undefined,
    interventions: readonly Intervention[],
  ): Prediction {
    const meter = meterId === undefined ? undefined : findMeter(meterId)
    const observation = this.observe(hypothesis, procedure, meterId, interventions)
    if (observation.type === 'never')
      return { type: 'never', instead: this.instead(hypothesis, procedure, meterId, interventions) }
    return isTimedObservation(observation)
      ? this.timed.predict(hypothesis, procedure, observation, meter!, interventions)
      : this.model.predict(observation, meter)
  }
  /** What a reading shows that is taken though its moment never comes: the machine as it stands when it should have come. */
  private instead(
    hypothesis: Hypothesis,
    procedure: Procedure,
    meterId: string | undefined,
    interventions: readonly Intervention[],
  ): Prediction | undefined {
    const { measurement, moment } = procedure
    const { standing } = this.runRead(hypothesis, procedure, interventions)
    const point = standing[moment]
    if (!point) return undefined
    const meter = meterId === undefined ? undefined : findMeter(meterId)
    const scene = { point, meter, activeFaults: hypothesis.activeFaults, displayedCode: undefined, watched: undefined }
    const observation = measurementType(measurement).observe(measurement, scene)
    return isTimedObservation(observation) ? undefined : this.model.predict(observation, meter)
  }
  private observe(
    hypothesis: Hypothesis,
    procedure: Procedure,
    meterId: string | undefined,
    interventions: readonly Intervention[],
  ): Observation {
    const { measurement, moment, watch } = procedure
    const record = this.runRead(hypothesis, procedure, interventions)
    const type = measurementType(measurement)
    const point = record.snapshots[moment]
    const watched = watch === undefined ? undefined : record.watched[watch]
    if (!point && !watched && !type.anywhere) return { type: 'never' }
    return type.observe(measurement, {
      point: point!,
      meter: meterId === undefined ? undefined : findMeter(meterId),
      activeFaults: hypothesis.activeFaults,
      displayedCode: record.displayedCodes[moment],
      watched,
    })
  }

  /** How the healthy machine's runs change with each parameter, for one run of the catalogue. */
  prepareRun(run: number): void {
    this.states.of(run)
  }

  /** What has been asked so far of single faults and the healthy machine with nothing changed by hand, to be kept with the sheet. */
  compile(): CompiledPredictions {
    const { catalogue, hypotheses, customer, store } = this
    return store.compile(catalogue, hypotheses, customer, (m, k) => this.showsComplaint(m, k))
  }
}
