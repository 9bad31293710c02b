import type { Part } from '../model/kinds'
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
} from '../simulation/instrument'
import { withChanges, sparse } from '../foundation/linear'
import { makeFaultedMachine, type Intervention, type ActiveFault, type FaultedMachine } from '../model/machine'
import type { Bench, Procedure, Run } from '../procedure'
import { newSimulationCache, OperatingPoint, simulate } from '../simulation/simulate'
import { Hypotheses } from './hypotheses'
import { marginal, type Toss } from './marginal'
import { nudge, type Nudged, type Seen } from './nudge'
import type { Member, Prediction } from './types'

/** Severities that one member may have: one per fault of a pair. */
const SEVERITIES = 2
/** Independent modelling error, share of the reading (one standard deviation). */
const MODEL_SPREAD = 0.008
/** Part of a meter's floor (as a standard deviation) that is new at each reading: half of its variance. */
const SCATTERS = Math.SQRT1_2
/** How far the machine itself drifts from one reading of a thing to the next, share of the value, one sd. */
export const DRIFTS = 0.002
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
const tester = (chance: number): Prediction => ({ is: 'sense', yes: TESTER_WRONG + (1 - 2 * TESTER_WRONG) * chance })

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

interface Tried {
  timelines: Map<string, Seen>
  /** The machine with the member's faults, by what hands have done. */
  faultedMachines: Map<string, FaultedMachine>
  predictions: Map<string, Prediction>
  /** Quick predictions of tests whose readings move with the states. */
  screened: Map<string, Prediction>
  /** Predictions that already have the width of their severity nodes. */
  widened: Set<Prediction>
}

const nothingTried = (): Tried => ({
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
  private readonly hypotheses: Hypotheses
  readonly shared: number
  private readonly tried = new Map<number, Tried>()
  private readonly cache = newSimulationCache()
  /** A place to write a sensitivity out in full. */
  private readonly dense: Float64Array

  constructor(readonly bench: Bench) {
    const { machine } = bench
    this.shared = machine.params.length + METERS.length + SEVERITIES + machine.spreadGroups
    this.dense = new Float64Array(this.shared)
    const known = new Map<string, Toss[]>()
    this.hypotheses = new Hypotheses(machine, {
      course: (member) => this.course(member),
      tossed: (member) =>
        marginal(
          this.theirs.flatMap((r) => this.timeline(member, r.index).snapshots.filter((s) => s !== undefined)),
          known,
        ),
      forget: ({ index }) => this.tried.delete(index),
    })
  }

  /** First of the places of severities among the shared parameters; those of groups follow them. */
  private get severityAt(): number {
    return this.bench.machine.params.length + METERS.length
  }
  get healthy(): Member {
    return this.hypotheses.healthy
  }
  /** Healthy first, then single faults by severity; each is run when they are first asked for. Pairs are made by `pair`. */
  get members(): readonly Member[] {
    return this.hypotheses.members
  }
  /** Members for what the kinds know and the sheet does not list: outside the hypothesis space. */
  get unlisted(): readonly Member[] {
    return this.hypotheses.unlisted
  }
  /** The member with the faults of two single members in one machine, made once. */
  pair(a: Member, b: Member, weight: number): Member {
    return this.hypotheses.pair(a, b, weight)
  }
  /** A member for exactly these faults, outside the hypothesis space: for what-if questions. */
  trial(activeFaults: readonly ActiveFault[]): Member {
    return this.hypotheses.trial(activeFaults)
  }
  private of(member: Member): Tried {
    let own = this.tried.get(member.index)
    if (!own) this.tried.set(member.index, (own = nothingTried()))
    return own
  }

  /** The values of the machine that a member starts from; not to be changed. */
  private valuesOf({ moved }: Member): Float64Array {
    const { values } = this.bench.machine
    if (!moved.length) return values
    const own = values.slice()
    for (const { param, by } of moved) own[param] += by
    return own
  }

  /** The run of a member through one script of the bench, with interventions in. */
  timeline(member: Member, run: number, interventions: readonly Intervention[] = []): Seen {
    const { runs, machine } = this.bench
    const { timelines } = this.of(member)
    const key = `${run}|${interventionsKey(interventions)}`
    let timeline = timelines.get(key)
    if (!timeline) {
      const { interventions: own, script } = runs[run]
      const all = [...interventions, ...own]
      const variantKey = interventionsKey(all)
      const { faultedMachines } = this.of(member)
      let faulted = faultedMachines.get(variantKey)
      if (!faulted)
        faultedMachines.set(
          variantKey,
          (faulted = makeFaultedMachine(machine, member.activeFaults, all, this.valuesOf(member))),
        )
      const { snapshots, displayedCodes, complaints, phases } = simulate(faulted, script, this.cache)
      timeline = { snapshots, displayedCodes, complaints, phases }
      timelines.set(key, timeline)
    }
    return timeline
  }

  /** Whether a complaint of the sheet comes true for a member in any of its plain runs. */
  complains(member: Member, complaint: number, interventions: readonly Intervention[] = []): boolean {
    // What an intermittent fault makes the customer say, it says on the days when it acts.
    const acting = member.activeFaults.some((p) => p.missProbability !== undefined)
      ? this.hypotheses.acting(member)
      : member
    return this.theirs.some((r) => this.timeline(acting, r.index, interventions).complaints[complaint])
  }
  /** The runs that a customer sees: they know nothing of service modes. */
  private get theirs(): Run[] {
    const { runs, machine } = this.bench
    return runs.filter((r) => !r.interventions.length && machine.programs[r.program].serviceMinutes === undefined)
  }
  /** What a customer's runs come to under a member: the phases reached, the codes shown, the complaints. */
  private course(member: Member): string {
    const runs = this.theirs.map((r) => this.timeline(member, r.index))
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
    member: Member,
    procedure: Procedure,
    meterId?: string,
    interventions: readonly Intervention[] = [],
  ): Prediction {
    const p = this.bare(member, procedure, meterId, interventions)
    const { widened } = this.of(member)
    if (!widened.has(p)) {
      widened.add(p)
      this.spreadSeverity(member, procedure, p, meterId, interventions)
    }
    return p
  }

  /**
   * A quick prediction for comparing tests: the length of a phase, and how far a reading has come with the water and the
   * heat, get a broad share of themselves as noise instead of their exact sensitivities, which need a run for each parameter.
   */
  screen(member: Member, procedure: Procedure, interventions: readonly Intervention[] = []): Prediction {
    const { what } = procedure
    if (what.is === 'duration') {
      const { from, to } = this.timeline(member, procedure.run, interventions).phases[what.phase]
      if (Number.isNaN(from) || Number.isNaN(to)) return { is: 'never' }
      const { resolution } = findMeter(procedure.meter!)!
      const limited = byLimit(this.bench.machine.phases[what.phase].timeLimits, to - from)
      return {
        is: 'value',
        mean: to - from,
        sensitivity: NOTHING_SHARED,
        noise: Math.hypot(resolution, (limited ? MODEL_SPREAD : SCREENED_SPREAD) * (to - from)),
        scatter: SCATTERS * resolution,
      }
    }
    const follows = this.followsStates(procedure)
    if (!follows) return this.predict(member, procedure, undefined, interventions)
    const { screened } = this.of(member)
    const key = `${procedure.key}|${interventionsKey(interventions)}`
    let p = screened.get(key)
    if (!p) {
      p = this.compute(member, procedure, findMeter(procedure.meter!), interventions)
      if (p.is === 'value') {
        const { faulted, modes, modeSince } = this.at(member, procedure, interventions)!
        const start = follows(new OperatingPoint(faulted, modes, this.bench.machine.states.slice(), modeSince))
        if (Number.isFinite(start)) p.noise = Math.hypot(p.noise, SCREENED_SPREAD * (p.mean - start))
      }
      screened.set(key, p)
    }
    return p
  }

  /** The machine as a member has it at the moment of a test; `undefined` when it never comes to that. */
  private at(member: Member, procedure: Procedure, interventions: readonly Intervention[]): OperatingPoint | undefined {
    return this.timeline(member, procedure.run, interventions).snapshots[procedure.moment]
  }

  /** How a test reads a value that moves with the states (levels, temperatures); `undefined` when it reads none such. */
  private followsStates({ what, meter }: Procedure): ((point: OperatingPoint) => number) | undefined {
    if (what.is !== 'probe') return undefined
    const { part: index, probe } = what
    if (probe.what === 'display') return (point) => point.signal(index, probe.signal)
    const ends = (point: OperatingPoint, a: string, b: string) => {
      const { nodes } = point.faulted.parts[index]
      return [nodes[a], nodes[b]] as const
    }
    if (probe.what === 'hertz')
      return (point) => frequencyIndication(point, index, probe.signal, ...ends(point, probe.a, probe.b))
    if (probe.what !== 'ohms' || this.bench.machine.kinds[index].stampDependsOnState !== 'resistance') return undefined
    return (point) =>
      resistanceIndication(
        point,
        findMeter(meter!)!,
        ...ends(point, probe.a, probe.b),
        probe.lifted ? point.faulted.parts[index] : undefined,
      ).value
  }

  /** The prediction at the member's own severity, without the width of its node. */
  private bare(
    member: Member,
    procedure: Procedure,
    meterId: string | undefined,
    interventions: readonly Intervention[],
  ): Prediction {
    const meter = meterId ?? procedure.meter
    const key = `${procedure.key}|${meter ?? ''}|${interventionsKey(interventions)}`
    const { predictions } = this.of(member)
    let p = predictions.get(key)
    if (!p) {
      p = this.compute(member, procedure, meter === undefined ? undefined : findMeter(meter), interventions)
      const follows = this.followsStates(procedure)
      if (p.is === 'value' && follows) this.addDrift(p, procedure, this.at(member, procedure, interventions)!, follows)
      predictions.set(key, p)
    }
    return p
  }

  private compute(
    member: Member,
    procedure: Procedure,
    meter: Meter | undefined,
    interventions: readonly Intervention[],
  ): Prediction {
    const { what } = procedure
    const timeline = this.timeline(member, procedure.run, interventions)
    if (what.is === 'code') return { is: 'word', word: timeline.displayedCodes[procedure.moment] ?? 'none' }
    if (what.is === 'duration') {
      const { from, to } = timeline.phases[what.phase]
      if (Number.isNaN(from) || Number.isNaN(to)) return { is: 'never' }
      return this.value(to - from, this.timeSensitivity(member, what.phase, procedure.run, interventions), meter!)
    }
    const point = this.at(member, procedure, interventions)
    if (!point) return { is: 'never' }
    if (what.is === 'watch') return this.sense(point.signal(what.part, what.signal) > 0.5, what.sense)
    if (what.is === 'between') {
      const [a, b] = [what.a, what.b].map((p) => point.faulted.parts[p.part].nodes[p.terminal])
      return meter!.dimension === 'resistance' ? this.ohms(point, meter!, a, b) : this.volts(point, meter!, a, b)
    }
    const part = point.faulted.parts[what.part]
    const { probe } = what
    switch (probe.what) {
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
        return this.shown(waterIndication(point, part, probe.port, probe.what), meter!)
      case 'worked':
        return { is: 'times', clean: this.worked(member, what.part) }
      case 'hertz':
      case 'display':
        return this.value(this.followsStates(procedure)!(point), undefined, meter!)
    }
  }

  /** Share of times that a part worked by hand does what it should: a hard fault never, a resting one but for its misses. */
  private worked(member: Member, part: number): number {
    const own = member.activeFaults.filter((p) => p.fault.part === part)
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
    return { is: 'sense', yes: truth ? 1 - falseNo : falseYes, by: sense, truth }
  }

  private shown(s: Indication, meter: Meter): Prediction {
    if (s.type === 'refused') return { is: 'never' }
    return s.type === 'open' ? { is: 'open' } : this.value(s.value, s.sensitivity, meter)
  }

  private value(mean: number, sensitivity: Float64Array | undefined, meter: Meter): Prediction & { is: 'value' } {
    const all = this.dense.fill(0)
    if (sensitivity) all.set(sensitivity)
    const { params } = this.bench.machine
    if (sensitivity && this.bench.machine.spreadGroups)
      for (const { index, sd, sharedSpread } of params)
        if (sharedSpread)
          all[this.severityAt + SEVERITIES + sharedSpread.group] += sensitivity[index] * (sharedSpread.sd / sd)
    all[this.bench.machine.params.length + METERS.indexOf(meter)] = meter.gain * mean
    return {
      is: 'value',
      mean,
      sensitivity: sparse(all),
      noise: Math.hypot(meter.resolution, MODEL_SPREAD * mean),
      scatter: Math.hypot(SCATTERS * meter.resolution, DRIFTS * mean),
    }
  }

  /**
   * The width of a severity node: half the difference to its neighbours enters as a private shared parameter, so
   * that several readings of one joint agree on one severity.
   */
  private spreadSeverity(
    member: Member,
    procedure: Procedure,
    p: Prediction,
    meterId: string | undefined,
    interventions: readonly Intervention[],
  ): void {
    if (p.is !== 'value') return
    // A phase over in an instant beside one that takes its time is another course of things, not more of the same.
    const alike = (length: number) => procedure.what.is !== 'duration' || length < INSTANT === p.mean < INSTANT
    const at = (other: Member | undefined): number | undefined => {
      if (!other) return undefined
      const q = this.bare(other, procedure, meterId, interventions)
      return q.is === 'value' && alike(q.mean) ? q.mean : undefined
    }
    const slopes = member.neighbours.map((find) => {
      const { below, above } = find()
      const [lo, hi] = [at(below), at(above)]
      if (lo !== undefined && hi !== undefined) return (hi - lo) / 2
      return hi !== undefined ? hi - p.mean : lo !== undefined ? p.mean - lo : 0
    })
    if (slopes.some((slope) => slope !== 0))
      p.sensitivity = withChanges(p.sensitivity, this.shared, (all) =>
        slopes.forEach((slope, slot) => (all[this.severityAt + slot] = NODE_SPREAD * slope)),
      )
  }

  /**
   * What a reading owes to where the states have come to: their change with each parameter, on the healthy machine at
   * the same moment, times the slope of the reading in each state.
   */
  private addDrift(
    p: Prediction & { is: 'value' },
    procedure: Procedure,
    point: OperatingPoint,
    read: (moved: OperatingPoint) => number,
  ): void {
    const drift = this.nudged(procedure.run).states[procedure.moment]
    if (!drift) return
    const { stateTolerance: within } = this.bench.machine
    const moved = new Float64Array(this.bench.machine.params.length)
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
    p.sensitivity = withChanges(p.sensitivity, this.shared, (all) => moved.forEach((x, index) => (all[index] += x)))
  }

  private readonly perturbations = new Map<number, Nudged>()
  private nudged(run: number): Nudged {
    let known = this.perturbations.get(run)
    if (!known) this.perturbations.set(run, (known = nudge(this.bench, run, this.timeline(this.healthy, run))))
    return known
  }

  /**
   * Does, a little at a time, what coming readings would have to wait for: the runs of the healthy machine with each value
   * moved, what the sheet does not list, and every test under every single fault. What is found is only kept; no answer depends on how far it has come.
   */
  *preparing(): Generator<void> {
    for (const { index, interventions } of this.bench.runs) {
      if (interventions.length) continue
      yield void this.nudged(index)
    }
    for (const member of this.unlisted)
      for (const { index, interventions } of this.bench.runs)
        if (!interventions.length) yield void this.timeline(member, index)
    for (const procedure of this.bench.procedures)
      for (const member of [...this.members]) {
        this.predict(member, procedure)
        yield void this.screen(member, procedure)
      }
  }

  /**
   * Change of the length of a phase with each parameter, s: its share of the length, as on the healthy machine. A phase that is
   * cut short waits for the same mark as ever, and has as many seconds to be wrong by; one that ends by its limit has none, as long
   * as it is well beyond; one that is drawn out moves with the pressures at hand, which a regulator may keep from it when all is well.
   */
  private timeSensitivity(
    member: Member,
    phase: number,
    run: number,
    interventions: readonly Intervention[],
  ): Float64Array {
    const { machine } = this.bench
    const lengthIn = ({ phases }: Seen) => phases[phase].to - phases[phase].from
    const seconds = lengthIn(this.timeline(member, run, interventions))
    const usual = lengthIn(this.timeline(this.healthy, run))
    const over = seconds < INSTANT || Number.isNaN(usual) ? seconds : Math.max(seconds, usual)
    const pressed = (seconds > DRAWN_OUT * usual ? this.pressures : []).map((index) => {
      const change = lengthIn(this.pressed(member, run, interventions, index)) - seconds
      return { index, change: Number.isFinite(change) ? change : 0 }
    })
    const limited = byLimit(machine.phases[phase].timeLimits, seconds)
    if (limited && pressed.every(({ change }) => change === 0)) return new Float64Array(machine.params.length)
    const moved = this.nudged(run).lengths[phase].map((x) => x * over)
    for (const { index, change } of pressed) moved[index] = change
    return moved
  }

  /** Parameters that set a pressure of the water. */
  private get pressures(): number[] {
    const { parts, kinds, params } = this.bench.machine
    return parts
      .filter((p) => kinds[p.index].fixedPressures)
      .flatMap((p) => Object.values(p.param).filter((i) => params[i].dimension === 'pressure' && params[i].sd > 0))
  }
  /** The run of a member with a pressure one standard deviation up. */
  private pressed(member: Member, run: number, interventions: readonly Intervention[], param: number): Seen {
    const { runs, machine } = this.bench
    const { timelines } = this.of(member)
    const key = `${run}|${interventionsKey(interventions)}|${param}`
    let seen = timelines.get(key)
    if (!seen) {
      const values = this.valuesOf(member).slice()
      values[param] += machine.params[param].sd
      const { interventions: own, script } = runs[run]
      const { phases } = simulate(
        makeFaultedMachine(machine, member.activeFaults, [...interventions, ...own], values),
        script,
        this.cache,
      )
      timelines.set(key, (seen = { phases, snapshots: [], displayedCodes: [], complaints: [] }))
    }
    return seen
  }
}
