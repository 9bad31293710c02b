import { makeFaultedMachine, type Machine } from '../../model/machine'
import type { Hypothesis } from '../../diagnosis/hypotheses'
import type { Predictor } from '../../diagnosis/predict'
import type { Cue, ExpectedRun, Lane, SuspectTurn } from '../../running'
import { describeCue, describeLane, formatSuspect } from '../../words'
import type { Advice } from '../advise'
import { callsOf, testsOf } from './answered-tests'
import { measuredValues, type Conditions } from './conditions'
import { courseOf, pointsAt, type MachineCourse } from './course-of'
import { stretchesOf, throughRun, type Stretch } from './meter-through'
import { curvesOf } from './curves-of'
import { drawnValues } from './drawn-values'
import { noticedSignals, type NoticedSignal } from './lanes-of'
import { keyOf, phaseLane, phaseSpans, signalLane, signalSpans, turnsOf, type Place } from './turns'

/** Good machines that a window is drawn from, and the share of them that something must happen on to be waited for. */
const DRAWN = 32
const MOST_OF_THEM = 0.75
/** Width of a window, standard deviations to each side. */
const WIDTH = 2.5
/** A screen has no room for more, by what turns first. */
const MOST_LANES = 11
/** Who flickers more often than this is of no use to an ear. */
const MOST_TURNS = 24
/** Points of a curve. */
const SAMPLES = 160
/** Suspects that a late turn is explained by, and the least chance of theirs. */
const MOST_SUSPECTS = 5
const SUSPECT_FROM = 0.01
/** So long is what has come to its end still shown, s. */
const AFTER_END = 20

const meanOf = (list: readonly number[]) => list.reduce((a, b) => a + b, 0) / list.length
const spreadOf = (list: readonly number[]) => {
  const mean = meanOf(list)
  return Math.sqrt(list.reduce((sum, x) => sum + (x - mean) ** 2, 0) / Math.max(1, list.length - 1))
}

/** The likeliest way of each leading suspect: when it makes things turn. */
function suspectsOf({ belief, suspects }: Advice): { title: string; hypothesis: Hypothesis }[] {
  const leading = suspects.filter((s) => s.faults.length && s.p > SUSPECT_FROM).slice(0, MOST_SUSPECTS)
  return leading.flatMap(({ faults }) => {
    const key = faults.map((f) => f.id).join('+')
    let best = -1
    belief.hypotheses.forEach((h, i) => {
      if (h.activeFaults.map((a) => a.fault.id).join('+') !== key) return
      if (best < 0 || belief.posterior[i] > belief.posterior[best]) best = i
    })
    return best < 0 ? [] : [{ title: formatSuspect(faults), hypothesis: belief.hypotheses[best] }]
  })
}

/** One program of one machine, run as often as is asked. */
class Rehearsal {
  private readonly known: ReadonlyMap<number, number>
  private readonly values: Float64Array

  constructor(
    private readonly predictor: Predictor,
    private readonly advice: Advice,
    private readonly program: number,
    conditions: Conditions,
  ) {
    this.known = measuredValues(this.machine, conditions)
    this.values = this.machine.values.slice()
    for (const [i, si] of this.known) this.values[i] = si
  }
  get machine() {
    return this.predictor.catalogue.machine
  }
  private run(
    values: Float64Array,
    signals: readonly NoticedSignal[],
    hypothesis?: Hypothesis,
    samples = 0,
  ): MachineCourse {
    const own = values.slice()
    for (const { param, by } of hypothesis?.shifts ?? []) own[param] += by
    const { interventions } = this.advice.interpreted
    const faulted = makeFaultedMachine(this.machine, hypothesis?.activeFaults ?? [], interventions, own)
    return courseOf(faulted, this.program, signals, samples)
  }
  /** The machine as its sheet has it, with the signals that turn in its run, by what turns first. */
  nominal(): { course: MachineCourse; signals: readonly NoticedSignal[] } {
    const every = noticedSignals(this.predictor.catalogue)
    const whole = this.run(this.values, every, undefined, SAMPLES)
    // How it stood at first is no turn.
    const firstOf = (k: number) => whole.turns[k][1]?.at ?? Infinity
    const order = every
      .map((_, k) => k)
      .filter((k) => firstOf(k) < Infinity && whole.turns[k].length <= MOST_TURNS)
      .sort((a, b) => firstOf(a) - firstOf(b))
      .slice(0, MOST_LANES)
    return { course: { ...whole, turns: order.map((k) => whole.turns[k]) }, signals: order.map((k) => every[k]) }
  }
  /** The machine as its sheet has it in each stretch in which nothing switches. */
  stretches(course: MachineCourse): Stretch[] {
    return stretchesOf(course, (times) =>
      pointsAt(
        makeFaultedMachine(this.machine, [], this.advice.interpreted.interventions, this.values),
        this.program,
        times,
      ),
    )
  }
  /** When each turn comes on good machines, each with values of its own. */
  good(signals: readonly NoticedSignal[]): ReturnType<typeof turnsOf>[] {
    return Array.from({ length: DRAWN }, (_, seed) =>
      turnsOf(this.machine, signals, this.run(drawnValues(this.machine, seed, this.known), signals)),
    )
  }
  /** The same under each leading suspect. */
  suspected(signals: readonly NoticedSignal[]): { title: string; turns: ReturnType<typeof turnsOf> }[] {
    return suspectsOf(this.advice).map(({ title, hypothesis }) => ({
      title,
      turns: turnsOf(this.machine, signals, this.run(this.values, signals, hypothesis)),
    }))
  }
}

/** Phases that an alarm leads to from what a good machine comes through, and that it does not come to itself. */
function stopsOf(machine: Machine, { phases }: MachineCourse): ExpectedRun['stops'] {
  const reached = new Set(phases.map((p) => p.phase))
  const led = [...reached]
    .filter((p) => p >= 0)
    .flatMap((p) => machine.phases[p].exits.filter((e) => e.alarm !== undefined).map((e) => e.to))
  const to = [...new Set(led)].filter((p) => p >= 0 && !reached.has(p))
  return to.map((p) => ({ id: phaseLane(machine, p), title: machine.phases[p].title }))
}

/** Where good machines have it, with what their sheet says inside, s. */
function windowOf(at: number, seen: readonly number[]): { early: number; late: number } {
  const [mean, spread] = seen.length > 1 ? [meanOf(seen), spreadOf(seen)] : [at, 0]
  return { early: Math.max(0, Math.min(at, mean - WIDTH * spread)), late: Math.max(at, mean + WIDTH * spread) }
}

/** What is waited for: each turn with its window, where most good machines make it. */
function cuesOf(
  turns: readonly (Place & { at: number })[],
  titles: ReadonlyMap<string, string>,
  good: ReturnType<Rehearsal['good']>,
  suspected: ReturnType<Rehearsal['suspected']>,
): Cue[] {
  const begins = turns.filter((t) => t.lane.startsWith('phase:')).sort((a, b) => a.at - b.at)
  const since = ({ at }: Place & { at: number }, key: string): Cue['since'] => {
    const before = begins.findLast((b) => b.at < at)
    if (!before) return undefined
    const lengths = good.flatMap((g) => {
      const [own, ref] = [g.get(key), g.get(keyOf(before))]
      return own && ref && own.at >= ref.at ? [own.at - ref.at] : []
    })
    const { lane, nth } = before
    return { lane, nth, at: at - before.at, ...windowOf(at - before.at, lengths) }
  }
  return turns
    .flatMap((turn): Cue[] => {
      const { at, ...place } = turn
      const key = keyOf(place)
      const seen = good.flatMap((g) => g.get(key)?.at ?? [])
      if (good.length && seen.length < MOST_OF_THEM * good.length) return []
      const suspects = suspected.map(({ title, turns }): SuspectTurn => ({ title, at: turns.get(key)?.at }))
      const title = describeCue(titles.get(place.lane)!, place.turn)
      return [{ ...place, title, at, ...windowOf(at, seen), since: since(turn, key), suspects }]
    })
    .sort((a, b) => a.at - b.at)
}

/**
 * The run of a program as it would go on this machine when nothing is wrong with it: its phases, all that can be noticed and what moves,
 * each turn with the window of good machines and what the leading suspects would make of it. What was measured on the spot and what hands
 * have done to the machine is in it.
 *
 * @param windows whether windows and suspects are run as well (some thirty runs); without them every window is a point
 */
export function expectedRun(
  predictor: Predictor,
  advice: Advice,
  program: number,
  conditions: Conditions = {},
  windows = true,
): ExpectedRun {
  const rehearsal = new Rehearsal(predictor, advice, program, conditions)
  const { machine } = rehearsal
  const { course, signals } = rehearsal.nominal()
  const phases = [...phaseSpans(machine, course)].map(([phase, spans]): Lane => ({
    id: phaseLane(machine, phase),
    title: machine.phases[phase].title,
    sense: undefined,
    spans,
  }))
  const lanes = signals.map((s, k): Lane => ({
    id: signalLane(machine, s),
    title: describeLane(machine, s.part, s.signal),
    sense: s.sense,
    spans: signalSpans(course, k),
  }))
  const titles = new Map([
    ...phases.map((p) => [p.id, `${p.title} begins`] as const),
    ...lanes.map((l) => [l.id, l.title] as const),
  ])
  const cues = cuesOf(
    [...turnsOf(machine, signals, course).values()],
    titles,
    windows ? rehearsal.good(signals) : [],
    windows ? rehearsal.suspected(signals) : [],
  )
  const { id, title, duration } = machine.programs[program]
  const latestEnd = (phase: number) => {
    const own = cues.find((c) => c.lane === phaseLane(machine, phase))
    const next = own && cues.find((c) => c.lane.startsWith('phase:') && c.at > own.at)
    return own && next ? (next.since?.lane === own.lane ? next.since.late : next.late - own.early) : duration
  }
  const stretches = rehearsal.stretches(course)
  const done = course.phases.find((p) => p.phase >= 0 && machine.phases[p.phase].final)?.at ?? Infinity
  return {
    program: id,
    title,
    lasts: Math.min(duration, course.ended, done + AFTER_END),
    phases,
    stops: stopsOf(machine, course),
    lanes,
    curves: curvesOf(machine, course),
    cues,
    tests: testsOf(predictor, program, signals, course, latestEnd),
    calls: callsOf(predictor, program, (p) => throughRun(p, stretches)),
  }
}
