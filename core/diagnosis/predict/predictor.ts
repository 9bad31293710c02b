import type { Part } from '../../model/kinds'
import {
  beeperProbability,
  findMeter,
  METERS,
  SENSES,
  currentIndication,
  frequencyIndication,
  neonProbability,
  resistanceIndication,
  voltageIndication,
  waterIndication,
  type Meter,
  type Indication,
} from '../../simulation/instrument'
import { withChanges, sparse } from '../../foundation/linear'
import { makeFaultedMachine, type Intervention, type ActiveFault, type FaultedMachine } from '../../model/machine'
import type { TestCatalogue, Procedure, Run } from '../catalogue'
import { newSimulationCache, OperatingPoint, simulate } from '../../simulation/simulate'
import { HypothesisSpace } from './hypothesis-space'
import { findThresholdBranches, type ThresholdBranch } from './threshold-branches'
import { perturbRun, type RunSensitivity, type RunRecord } from './perturb-run'
import type { Hypothesis, Prediction } from './types'

/** Severities that one member may have: one per fault of a pair. */
const SEVERITIES = 2
/** Independent modelling error, share of the reading (one standard deviation). */
const MODEL_SPREAD = 0.008
/** Part of a meter's floor (as a standard deviation) that is new at each reading: half of its variance. */
const SCATTERS = Math.SQRT1_2
/** How far the machine itself drifts from one reading of a thing to the next, share of the value, one sd. */
export const DRIFT = 0.002
/** Spread of phase lengths when tests are compared, share of the length. */
const SCREENED_SPREAD = 0.06
/** A phase shorter than this is over in an instant, s. */
const INSTANT = 2
/** A phase is drawn out when it takes this many times as long as on the healthy machine. */
const DRAWN_OUT = 1.1
/** Half width of a severity node in standard deviations of a shared parameter. */
const NODE_SPREAD = 0.6
/** Share of times that a good contact is misjudged when it is worked. */
const MISJUDGED = 0.004

/** How often a tester is misread either way. */
const TESTER_WRONG = 0.03

/** A tester's answer from the chance that it sounds or glows. */
const tester = (chance: number): Prediction => ({ type: 'sense', yes: TESTER_WRONG + (1 - 2 * TESTER_WRONG) * chance })

/** What hands have done, as a key for caching. */
export const interventionsKey = (interventions: readonly Intervention[]): string =>
  interventions
    .map((e) => (e.hold ? `h${e.hold.mode}:${e.hold.value}` : e.repair === undefined ? `j${e.jumper}` : `r${e.repair}`))
    .sort()
    .join(' ')

/** Whether a phase that lasted so long was ended by one of its limits. */
const byLimit = (limits: readonly number[], seconds: number): boolean =>
  limits.some((limit) => Math.abs(limit - seconds) < 1e-3)

const NOTHING_SHARED = sparse(new Float64Array(0))

interface HypothesisRecords {
  timelines: Map<string, RunRecord>
  /** The machine with the member's faults, by what hands have done. */
  faultedMachines: Map<string, FaultedMachine>
  predictions: Map<string, Prediction>
  /** Quick predictions of tests whose readings move with the states. */
  screened: Map<string, Prediction>
  /** Predictions that already have the width of their severity nodes. */
  widened: Set<Prediction>
}

const nothingTried = (): HypothesisRecords => ({
  timelines: new Map(),
  faultedMachines: new Map(),
  predictions: new Map(),
  screened: new Map(),
  widened: new Set(),
})

/**
 * Predictions of tests for members of the hypothesis space, computed when asked for and kept.
 * Two faults are run as two faults in one machine.
 *
 * Shared parameters are numbered: machine parameters first, then the gain of each meter, two severities, and the
 * spreads that groups of parameters have in common.
 */
export class Predictor {
  private readonly space: HypothesisSpace
  readonly sharedParams: number
  private readonly tried = new Map<number, HypothesisRecords>()
  private readonly cache = newSimulationCache()
  /** A place to write a sensitivity out in full. */
  private readonly dense: Float64Array

  constructor(readonly catalogue: TestCatalogue) {
    const { machine } = catalogue
    this.sharedParams = machine.params.length + METERS.length + SEVERITIES + machine.spreadGroups
    this.dense = new Float64Array(this.sharedParams)
    const known = new Map<string, ThresholdBranch[]>()
    this.space = new HypothesisSpace(machine, {
      outcomeSignature: (hypothesis) => this.healthyRuns(hypothesis),
      thresholdBranches: (hypothesis) =>
        findThresholdBranches(
          this.customerRuns.flatMap((r) => this.timeline(hypothesis, r.index).snapshots.filter((s) => s !== undefined)),
          known,
        ),
      forget: ({ index }) => this.tried.delete(index),
    })
  }

  /** First of the places of severities among the shared parameters; those of groups follow them. */
  private get severityAt(): number {
    return this.catalogue.machine.params.length + METERS.length
  }
  get healthy(): Hypothesis {
    return this.space.healthy
  }
  /** Healthy first, then single faults by severity; each is run when they are first asked for. Pairs are made by `pair`. */
  get hypotheses(): readonly Hypothesis[] {
    return this.space.singles
  }
  /** Members for what the kinds know and the sheet does not list: outside the hypothesis space. */
  get unlistedHypotheses(): readonly Hypothesis[] {
    return this.space.unlistedHypotheses
  }
  /** The member with the faults of two single members in one machine, made once. */
  pair(a: Hypothesis, b: Hypothesis, weight: number): Hypothesis {
    return this.space.pair(a, b, weight)
  }
  /** A member for exactly these faults, outside the hypothesis space: for what-if questions. */
  hypothesisFor(activeFaults: readonly ActiveFault[]): Hypothesis {
    return this.space.hypothesisFor(activeFaults)
  }
  private recordsOf(hypothesis: Hypothesis): HypothesisRecords {
    let own = this.tried.get(hypothesis.index)
    if (!own) this.tried.set(hypothesis.index, (own = nothingTried()))
    return own
  }

  /** The values of the machine that a member starts from; not to be changed. */
  private valuesOf({ shifts: moved }: Hypothesis): Float64Array {
    const { values } = this.catalogue.machine
    if (!moved.length) return values
    const own = values.slice()
    for (const { param, by } of moved) own[param] += by
    return own
  }

  /** The run of a member through one script of the bench, with interventions in. */
  timeline(hypothesis: Hypothesis, run: number, interventions: readonly Intervention[] = []): RunRecord {
    const { runs, machine } = this.catalogue
    const { timelines } = this.recordsOf(hypothesis)
    const key = `${run}|${interventionsKey(interventions)}`
    let timeline = timelines.get(key)
    if (!timeline) {
      const { interventions: own, script } = runs[run]
      const all = [...interventions, ...own]
      const variantKey = interventionsKey(all)
      const { faultedMachines } = this.recordsOf(hypothesis)
      let faulted = faultedMachines.get(variantKey)
      if (!faulted)
        faultedMachines.set(
          variantKey,
          (faulted = makeFaultedMachine(machine, hypothesis.activeFaults, all, this.valuesOf(hypothesis))),
        )
      const { snapshots, displayedCodes, complaints, phases } = simulate(faulted, script, this.cache)
      timeline = { snapshots, displayedCodes, complaints, phases }
      timelines.set(key, timeline)
    }
    return timeline
  }

  /** Whether a complaint of the sheet comes true for a member in any of its plain runs. */
  showsComplaint(hypothesis: Hypothesis, complaint: number, interventions: readonly Intervention[] = []): boolean {
    // What an intermittent fault makes the customer say, it says on the days when it acts.
    const acting = hypothesis.activeFaults.some((p) => p.missProbability !== undefined)
      ? this.space.acting(hypothesis)
      : hypothesis
    return this.customerRuns.some((r) => this.timeline(acting, r.index, interventions).complaints[complaint])
  }
  /** The runs that a customer sees: they know nothing of service modes. */
  private get customerRuns(): Run[] {
    const { runs, machine } = this.catalogue
    return runs.filter((r) => !r.interventions.length && machine.programs[r.program].serviceMinutes === undefined)
  }
  /** What a customer's runs come to under a member: the phases reached, the codes shown, the complaints. */
  private healthyRuns(hypothesis: Hypothesis): string {
    const runs = this.customerRuns.map((r) => this.timeline(hypothesis, r.index))
    const said = runs[0]?.complaints.map((_, k) => runs.some((r) => r.complaints[k]))
    return JSON.stringify([said, runs.map((r) => [r.displayedCodes, r.phases.map(({ from }) => from >= 0)])])
  }

  /**
   * What a test gives under a member.
   *
   * @param meterId instrument used; the usual one when left out
   * @param interventions what hands have done before the test
   */
  predict(
    hypothesis: Hypothesis,
    procedure: Procedure,
    meterId?: string,
    interventions: readonly Intervention[] = [],
  ): Prediction {
    const p = this.predictAtNode(hypothesis, procedure, meterId, interventions)
    const { widened } = this.recordsOf(hypothesis)
    if (!widened.has(p)) {
      widened.add(p)
      this.spreadSeverity(hypothesis, procedure, p, meterId, interventions)
    }
    return p
  }

  /**
   * A quick prediction for comparing tests: the length of a phase, and how far a reading has come with the water and the
   * heat, get a broad share of themselves as noise instead of their exact sensitivities, which need a run for each parameter.
   */
  predictCoarse(hypothesis: Hypothesis, procedure: Procedure, interventions: readonly Intervention[] = []): Prediction {
    const { measurement: what } = procedure
    if (what.type === 'duration') {
      const { from, to } = this.timeline(hypothesis, procedure.run, interventions).phases[what.phase]
      if (Number.isNaN(from) || Number.isNaN(to)) return { type: 'never' }
      const { resolution } = findMeter(procedure.meter!)!
      const limited = byLimit(this.catalogue.machine.phases[what.phase].timeLimits, to - from)
      return {
        type: 'value',
        mean: to - from,
        sensitivity: NOTHING_SHARED,
        reproducibility: Math.hypot(resolution, (limited ? MODEL_SPREAD : SCREENED_SPREAD) * (to - from)),
        repeatability: SCATTERS * resolution,
      }
    }
    const follows = this.followsStates(procedure)
    if (!follows) return this.predict(hypothesis, procedure, undefined, interventions)
    const { screened } = this.recordsOf(hypothesis)
    const key = `${procedure.key}|${interventionsKey(interventions)}`
    let p = screened.get(key)
    if (!p) {
      p = this.compute(hypothesis, procedure, findMeter(procedure.meter!), interventions)
      if (p.type === 'value') {
        const { faulted, modes, modeSince } = this.at(hypothesis, procedure, interventions)!
        const start = follows(new OperatingPoint(faulted, modes, this.catalogue.machine.states.slice(), modeSince))
        if (Number.isFinite(start))
          p.reproducibility = Math.hypot(p.reproducibility, SCREENED_SPREAD * (p.mean - start))
      }
      screened.set(key, p)
    }
    return p
  }

  /** The machine as a member has it at the moment of a test; `undefined` when it never comes to that. */
  private at(
    hypothesis: Hypothesis,
    procedure: Procedure,
    interventions: readonly Intervention[],
  ): OperatingPoint | undefined {
    return this.timeline(hypothesis, procedure.run, interventions).snapshots[procedure.moment]
  }

  /** How a test reads a value that moves with the states (levels, temperatures); `undefined` when it reads none such. */
  private followsStates({ measurement: what, meter }: Procedure): ((point: OperatingPoint) => number) | undefined {
    if (what.type !== 'probe') return undefined
    const { part: index, probe } = what
    if (probe.type === 'display') return (point) => point.signal(index, probe.signal)
    const ends = (point: OperatingPoint, a: string, b: string) => {
      const { nodes } = point.faulted.parts[index]
      return [nodes[a], nodes[b]] as const
    }
    if (probe.type === 'hertz')
      return (point) => frequencyIndication(point, index, probe.signal, ...ends(point, probe.a, probe.b))
    if (probe.type !== 'ohms' || this.catalogue.machine.kinds[index].stampDependsOnState !== 'resistance')
      return undefined
    return (point) =>
      resistanceIndication(
        point,
        findMeter(meter!)!,
        ...ends(point, probe.a, probe.b),
        probe.lifted ? point.faulted.parts[index] : undefined,
      ).value
  }

  /** The prediction at the member's own severity, without the width of its node. */
  private predictAtNode(
    hypothesis: Hypothesis,
    procedure: Procedure,
    meterId: string | undefined,
    interventions: readonly Intervention[],
  ): Prediction {
    const meter = meterId ?? procedure.meter
    const key = `${procedure.key}|${meter ?? ''}|${interventionsKey(interventions)}`
    const { predictions } = this.recordsOf(hypothesis)
    let p = predictions.get(key)
    if (!p) {
      p = this.compute(hypothesis, procedure, meter === undefined ? undefined : findMeter(meter), interventions)
      const follows = this.followsStates(procedure)
      if (p.type === 'value' && follows)
        this.addDrift(p, procedure, this.at(hypothesis, procedure, interventions)!, follows)
      predictions.set(key, p)
    }
    return p
  }

  private compute(
    hypothesis: Hypothesis,
    procedure: Procedure,
    meter: Meter | undefined,
    interventions: readonly Intervention[],
  ): Prediction {
    const { measurement: what } = procedure
    const timeline = this.timeline(hypothesis, procedure.run, interventions)
    if (what.type === 'code') return { type: 'word', word: timeline.displayedCodes[procedure.moment] ?? 'none' }
    if (what.type === 'duration') {
      const { from, to } = timeline.phases[what.phase]
      if (Number.isNaN(from) || Number.isNaN(to)) return { type: 'never' }
      return this.value(to - from, this.timeSensitivity(hypothesis, what.phase, procedure.run, interventions), meter!)
    }
    const point = this.at(hypothesis, procedure, interventions)
    if (!point) return { type: 'never' }
    if (what.type === 'watch') return this.sense(point.signal(what.part, what.signal) > 0.5, what.sense)
    if (what.type === 'between') {
      const [a, b] = [what.a, what.b].map((p) => point.faulted.parts[p.part].nodes[p.terminal])
      return meter!.dimension === 'resistance' ? this.ohms(point, meter!, a, b) : this.volts(point, meter!, a, b)
    }
    const part = point.faulted.parts[what.part]
    const { probe } = what
    switch (probe.type) {
      case 'sense':
        return this.sense(point.signal(what.part, probe.signal) > 0.5, probe.sense)
      case 'volts':
        return this.volts(point, meter!, part.nodes[probe.a], this.node(point, what.part, probe.b))
      case 'ohms': {
        const [a, b] = [part.nodes[probe.a], part.nodes[probe.b]]
        return this.ohms(point, meter!, a, b, probe.lifted ? part : undefined)
      }
      case 'amps':
        return this.shown(currentIndication(point, part), meter!)
      case 'pressure':
      case 'bucket':
        return this.shown(waterIndication(point, part, probe.port, probe.type), meter!)
      case 'worked':
        return { type: 'times', clean: this.worked(hypothesis, what.part) }
      case 'hertz':
      case 'display':
        return this.value(this.followsStates(procedure)!(point), undefined, meter!)
    }
  }

  /** Share of times that a part worked by hand does what it should: a hard fault never, a resting one but for its misses. */
  private worked(hypothesis: Hypothesis, part: number): number {
    const own = hypothesis.activeFaults.filter((p) => p.fault.part === part)
    const missProbability = own.flatMap((p) => p.missProbability ?? [])
    if (own.length > missProbability.length) return MISJUDGED
    return (1 - MISJUDGED) * missProbability.reduce((clean, m) => clean * (1 - m), 1)
  }

  private node(point: OperatingPoint, part: number, terminal: string): number {
    const { machine, parts } = point.faulted
    if (terminal !== '@return') return parts[part].nodes[terminal]
    const supply = machine.kinds.findIndex((k) => k.returns !== undefined)
    return parts[supply].nodes[machine.kinds[supply].returns!]
  }

  private volts(point: OperatingPoint, meter: Meter, a: number, b: number): Prediction {
    if (!meter.threshold) return this.shown(voltageIndication(point, meter, a, b), meter)
    return tester(neonProbability(point, meter, a))
  }
  private ohms(point: OperatingPoint, meter: Meter, a: number, b: number, alone?: Part): Prediction {
    const shown = resistanceIndication(point, meter, a, b, alone)
    return meter.threshold ? tester(beeperProbability(shown, meter)) : this.shown(shown, meter)
  }

  private sense(truth: boolean, sense: keyof typeof SENSES): Prediction {
    const { falseYes, falseNo } = SENSES[sense]
    return { type: 'sense', yes: truth ? 1 - falseNo : falseYes, sense: sense, truth }
  }

  private shown(s: Indication, meter: Meter): Prediction {
    if (s.type === 'refused') return { type: 'never' }
    return s.type === 'open' ? { type: 'open' } : this.value(s.value, s.sensitivity, meter)
  }

  private value(mean: number, sensitivity: Float64Array | undefined, meter: Meter): Prediction & { type: 'value' } {
    const all = this.dense.fill(0)
    if (sensitivity) all.set(sensitivity)
    const { params } = this.catalogue.machine
    if (sensitivity && this.catalogue.machine.spreadGroups)
      for (const { index, sd, sharedSpread } of params)
        if (sharedSpread)
          all[this.severityAt + SEVERITIES + sharedSpread.group] += sensitivity[index] * (sharedSpread.sd / sd)
    all[this.catalogue.machine.params.length + METERS.indexOf(meter)] = meter.gain * mean
    return {
      type: 'value',
      mean,
      sensitivity: sparse(all),
      reproducibility: Math.hypot(meter.resolution, MODEL_SPREAD * mean),
      repeatability: Math.hypot(SCATTERS * meter.resolution, DRIFT * mean),
    }
  }

  /**
   * The width of a severity node: half the difference to its neighbours enters as a private shared parameter, so
   * that several readings of one joint agree on one severity.
   */
  private spreadSeverity(
    hypothesis: Hypothesis,
    procedure: Procedure,
    p: Prediction,
    meterId: string | undefined,
    interventions: readonly Intervention[],
  ): void {
    if (p.type !== 'value') return
    // A phase over in an instant beside one that takes its time is another course of things, not more of the same.
    const alike = (length: number) => procedure.measurement.type !== 'duration' || length < INSTANT === p.mean < INSTANT
    const at = (other: Hypothesis | undefined): number | undefined => {
      if (!other) return undefined
      const q = this.predictAtNode(other, procedure, meterId, interventions)
      return q.type === 'value' && alike(q.mean) ? q.mean : undefined
    }
    const slopes = hypothesis.neighbours.map((find) => {
      const { below, above } = find()
      const [lo, hi] = [at(below), at(above)]
      if (lo !== undefined && hi !== undefined) return (hi - lo) / 2
      return hi !== undefined ? hi - p.mean : lo !== undefined ? p.mean - lo : 0
    })
    if (slopes.some((slope) => slope !== 0))
      p.sensitivity = withChanges(p.sensitivity, this.sharedParams, (all) =>
        slopes.forEach((slope, slot) => (all[this.severityAt + slot] = NODE_SPREAD * slope)),
      )
  }

  /**
   * What a reading owes to where the states have come to: their change with each parameter, on the healthy machine at
   * the same moment, times the slope of the reading in each state.
   */
  private addDrift(
    p: Prediction & { type: 'value' },
    procedure: Procedure,
    point: OperatingPoint,
    read: (moved: OperatingPoint) => number,
  ): void {
    const drift = this.sensitivityOf(procedure.run).states[procedure.moment]
    if (!drift) return
    const { stateTolerance: within } = this.catalogue.machine
    const moved = new Float64Array(this.catalogue.machine.params.length)
    for (let i = 0; i < within.length; i++) {
      const widest = drift.reduce((most, dx) => Math.max(most, dx ? Math.abs(dx[i]) : 0), 0)
      if (widest < within[i]) continue
      const x = point.states.slice()
      x[i] += widest
      const slope = (read(new OperatingPoint(point.faulted, point.modes, x, point.modeSince)) - p.mean) / widest
      if (!Number.isFinite(slope) || slope === 0) continue
      drift.forEach((dx, index) => {
        if (dx) moved[index] += slope * dx[i]
      })
    }
    p.sensitivity = withChanges(p.sensitivity, this.sharedParams, (all) =>
      moved.forEach((x, index) => (all[index] += x)),
    )
  }

  private readonly perturbations = new Map<number, RunSensitivity>()
  private sensitivityOf(run: number): RunSensitivity {
    let known = this.perturbations.get(run)
    if (!known) this.perturbations.set(run, (known = perturbRun(this.catalogue, run, this.timeline(this.healthy, run))))
    return known
  }

  /**
   * Does, a little at a time, what coming readings would have to wait for: the runs of the healthy machine with each value
   * moved, what the sheet does not list, and every test under every single fault. What is found is only kept; no answer depends on how far it has come.
   */
  *warmUp(): Generator<void> {
    for (const { index, interventions } of this.catalogue.runs) {
      if (interventions.length) continue
      yield void this.sensitivityOf(index)
    }
    for (const hypothesis of this.unlistedHypotheses)
      for (const { index, interventions } of this.catalogue.runs)
        if (!interventions.length) yield void this.timeline(hypothesis, index)
    for (const procedure of this.catalogue.procedures)
      for (const hypothesis of [...this.hypotheses]) {
        this.predict(hypothesis, procedure)
        yield void this.predictCoarse(hypothesis, procedure)
      }
  }

  /**
   * Change of the length of a phase with each parameter, s: its share of the length, as on the healthy machine. A phase that is
   * cut short waits for the same mark as ever, and has as many seconds to be wrong by; one that ends by its limit has none, as long
   * as it is well beyond; one that is drawn out moves with the pressures at hand, which a regulator may keep from it when all is well.
   */
  private timeSensitivity(
    hypothesis: Hypothesis,
    phase: number,
    run: number,
    interventions: readonly Intervention[],
  ): Float64Array {
    const { machine } = this.catalogue
    const lengthIn = ({ phases }: RunRecord) => phases[phase].to - phases[phase].from
    const seconds = lengthIn(this.timeline(hypothesis, run, interventions))
    const usual = lengthIn(this.timeline(this.healthy, run))
    const over = seconds < INSTANT || Number.isNaN(usual) ? seconds : Math.max(seconds, usual)
    const pressed = (seconds > DRAWN_OUT * usual ? this.pressures : []).map((index) => {
      const change = lengthIn(this.pressed(hypothesis, run, interventions, index)) - seconds
      return { index, change: Number.isFinite(change) ? change : 0 }
    })
    const limited = byLimit(machine.phases[phase].timeLimits, seconds)
    if (limited && pressed.every(({ change }) => change === 0)) return new Float64Array(machine.params.length)
    const moved = this.sensitivityOf(run).lengths[phase].map((x) => x * over)
    for (const { index, change } of pressed) moved[index] = change
    return moved
  }

  /** Parameters that set a pressure of the water. */
  private get pressures(): number[] {
    const { parts, kinds, params } = this.catalogue.machine
    return parts
      .filter((p) => kinds[p.index].fixedPressures)
      .flatMap((p) => Object.values(p.param).filter((i) => params[i].dimension === 'pressure' && params[i].sd > 0))
  }
  /** The run of a member with a pressure one standard deviation up. */
  private pressed(
    hypothesis: Hypothesis,
    run: number,
    interventions: readonly Intervention[],
    param: number,
  ): RunRecord {
    const { runs, machine } = this.catalogue
    const { timelines } = this.recordsOf(hypothesis)
    const key = `${run}|${interventionsKey(interventions)}|${param}`
    let seen = timelines.get(key)
    if (!seen) {
      const values = this.valuesOf(hypothesis).slice()
      values[param] += machine.params[param].sd
      const { interventions: own, script } = runs[run]
      const { phases } = simulate(
        makeFaultedMachine(machine, hypothesis.activeFaults, [...interventions, ...own], values),
        script,
        this.cache,
      )
      timelines.set(key, (seen = { phases, snapshots: [], displayedCodes: [], complaints: [] }))
    }
    return seen
  }
}
