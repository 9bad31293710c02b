import { unknownFaultShares } from './unknown-fault-shares'
import { interventionsKey, type Hypothesis, type Predictor } from '../predict'
import { againLikelihood, broadLikelihood } from './likelihood'
import { pairBounds } from './pair-bounds'
import {
  resolutionOf,
  HEARD,
  canonicalOrder,
  readingKey,
  scoreHypothesis,
  type HypothesisScore,
} from './score-hypothesis'
import type { Belief, Case, Doubt, UnitSlip, ContextualReading } from './types'

/** How often what is not listed is complained of in the words of what is. */
const SAID_ALIKE = 0.85
/** Share of calls whose cause no sheet lists. */
const UNLISTED = 0.05
/** Chance that a test of a program that has been found stopped does not come to its moment either, whatever the cause. */
const STAYS_STOPPED = 0.9
/** Most pairs run as pairs for one state of evidence. */
export const PAIRS_MADE = 64
/** As many times more after a repair that did not do. */
const AFTER_REPAIR = 4
/** Pairs are run in batches until what is left of them is at most this share. */
const BATCH = 16
const RESIDUAL_LEFT = 0.02
/** Share of their bound that pairs come to before any has been run. */
const USUALLY_REACHED = 0.3
/** Pairs not run are never taken for less than this share of their bound. */
const LEAST_REACHED = 0.05

/**
 * The belief that a case leads to. Pure: depends on the evidence alone, not on its order nor on earlier calls.
 *
 * Singles are scored first; pairs that could explain the readings best, each reading by the better of its two
 * faults, are run as pairs in one machine; what is not run counts as `residual`.
 *
 * @param pairs how many pairs to run, four times as many after a repair; 0 gives the quick answer, `PAIRS_MADE` the settled one
 */
export function inferBelief(predictor: Predictor, c: Case, pairs: number = PAIRS_MADE): Belief {
  const readings = canonicalOrder(c.readings)
  const singles = predictor.hypotheses.filter((m) => m.activeFaults.length < 2)
  const scored = new Map<Hypothesis, HypothesisScore>(
    singles.map((m) => [m, scoreHypothesis(predictor, m, c, readings)]),
  )
  const faulty = singles.filter((m) => m.activeFaults.length === 1)

  const evidence = [...c.complaints, ...readings]
  const single = (hypothesis: Hypothesis) => {
    const { complaintLikelihoods: heard, readingLikelihoods: each } = scored.get(hypothesis)!
    const { repair } = hypothesis.activeFaults[0].fault
    const likelihoods = [...heard, ...each]
    // After its repair a fault explains nothing any more.
    const logs = Float64Array.from(evidence, ({ interventions }, k) =>
      interventions.some((e) => e.repair === repair) ? -Infinity : Math.log(likelihoods[k]),
    )
    return { hypothesis, logs }
  }
  // Without a reading there is little to tell pairs apart by: one batch shows how far they come. After a repair they are what is left.
  const wanted = c.repairs.length ? AFTER_REPAIR * pairs : readings.length ? pairs : Math.min(pairs, BATCH)
  const { drafts, likeliest, total: all } = pairBounds(faulty.map(single), wanted)
  const hypotheses = [...singles]
  let made = 0
  let bound = all
  // How far pairs stay under their bound: what the last batch came to.
  let reached = USUALLY_REACHED
  while (made < drafts.length) {
    const known = hypotheses.reduce((s, m) => s + Math.exp(scored.get(m)!.log - likeliest), 0)
    if (reached * bound <= RESIDUAL_LEFT * known) break
    let [promised, came] = [0, 0]
    for (const d of drafts.slice(made, made + BATCH)) {
      const hypothesis = predictor.pair(d.a, d.b, d.priorWeight)
      scored.set(hypothesis, scoreHypothesis(predictor, hypothesis, c, readings))
      hypotheses.push(hypothesis)
      bound -= Math.exp(d.log - likeliest)
      promised += Math.exp(d.log - likeliest)
      came += Math.exp(scored.get(hypothesis)!.log - likeliest)
      made++
    }
    reached = Math.min(1, Math.max(LEAST_REACHED, came / promised))
  }

  // "Something else" is scored against the mixture of the listed members, reading by reading.
  const logs = hypotheses.map((m) => scored.get(m)!.log)
  const total = hypotheses.reduce((s, m) => s + m.priorWeight, 0)
  let unlisted = Math.log(UNLISTED * total)
  let running = hypotheses.map((m) => Math.log(m.priorWeight))
  const told = (likelihoods: readonly number[]): number => {
    const top = Math.max(...running)
    let [mass, mix] = [0, 0]
    running.forEach((log, i) => {
      const w = Math.exp(log - top)
      mass += w
      mix += w * likelihoods[i]
    })
    running = running.map((log, i) => log + Math.log(Math.max(likelihoods[i], 1e-300)))
    return mix / mass
  }
  // What no sheet lists is complained of as what it lists, now and then in words that fit nothing of it.
  c.complaints.forEach((_, k) => {
    const mix = told(hypotheses.map((m) => scored.get(m)!.complaintLikelihoods[k]))
    unlisted += Math.log(SAID_ALIKE * mix + (1 - SAID_ALIKE) * HEARD * 0.5)
  })
  readings.forEach((r, k) => {
    const mix = told(hypotheses.map((m) => scored.get(m)!.readingLikelihoods[k]))
    const shares = unknownFaultShares(r.procedure)
    const dimension = r.procedure.shape.type === 'number' ? r.procedure.shape.dimension : undefined
    const earlier = readings
      .slice(0, k)
      .filter((x) => interventionsKey(x.interventions) === interventionsKey(r.interventions))
    const before = earlier.findLast((x) => readingKey(x) === readingKey(r))
    // A machine that has stopped comes to nothing that follows: one fact, however often it is found.
    const stopped = earlier.some((x) => x.value.type === 'never' && x.procedure.run === r.procedure.run)
    unlisted += Math.log(
      before
        ? againLikelihood(r.value, before.value, dimension, resolutionOf(r))
        : stopped && r.value.type === 'never'
          ? STAYS_STOPPED
          : shares.healthy * scored.get(hypotheses[0])!.readingLikelihoods[k] +
            shares.mixture * mix +
            shares.broad * broadLikelihood(r.value, dimension),
    )
  })

  const top = Math.max(unlisted, ...logs)
  const p = Float64Array.from(logs, (x) => Math.exp(x - top))
  const other = Math.exp(unlisted - top)
  const unmade = reached * Math.max(0, bound) * Math.exp(likeliest - top)
  const sum = p.reduce((s, x) => s + x, 0) + other + unmade
  const doubtOf = (r: ContextualReading): Doubt => {
    const k = readings.indexOf(r)
    if (k < 0) return { grossError: 0, unitSlip: undefined }
    const by = new Map<UnitSlip | undefined, number>()
    let slip = 0
    let listed = 0
    hypotheses.forEach((m, i) => {
      const fit = scored.get(m)!.fits[k]
      listed += p[i]
      slip += p[i] * fit.grossError
      by.set(fit.unitSlip, (by.get(fit.unitSlip) ?? 0) + p[i] * fit.grossError)
    })
    const [misread] = [...by].sort((a, b) => b[1] - a[1])[0]
    return { grossError: slip / listed, unitSlip: misread }
  }
  return {
    hypotheses: hypotheses,
    posterior: p.map((x) => x / sum),
    unknownFault: other / sum,
    truncatedMass: unmade / sum,
    logEvidence: top + Math.log(sum),
    logLikelihoods: Float64Array.from(hypotheses, (m) =>
      scored.get(m)!.readingLikelihoods.reduce((sum, l) => sum + Math.log(Math.max(l, 1e-300)), 0),
    ),
    doubts: c.readings.map(doubtOf),
    conditionings: hypotheses.map((m) => scored.get(m)!.conditioning),
  }
}
