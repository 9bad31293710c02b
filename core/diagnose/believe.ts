import { elseShares } from './else-shares'
import { interventionsKey, type Member, type Predictor } from '../predict'
import { againLikelihood, broadLikelihood } from './likelihood'
import { pairBounds } from './pair-bounds'
import { floorOf, HEARD, inOrder, keyOf, score, type Scored } from './score'
import type { Belief, Case, Doubt, Misread, PlacedReading } from './types'

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
export function believe(predictor: Predictor, c: Case, pairs: number = PAIRS_MADE): Belief {
  const readings = inOrder(c.readings)
  const singles = predictor.members.filter((m) => m.activeFaults.length < 2)
  const scored = new Map<Member, Scored>(singles.map((m) => [m, score(predictor, m, c, readings)]))
  const faulty = singles.filter((m) => m.activeFaults.length === 1)

  const evidence = [...c.complaints, ...readings]
  const single = (member: Member) => {
    const { heard, each } = scored.get(member)!
    const { repair } = member.activeFaults[0].fault
    const likelihoods = [...heard, ...each]
    // After its repair a fault explains nothing any more.
    const logs = Float64Array.from(evidence, ({ interventions }, k) =>
      interventions.some((e) => e.repair === repair) ? -Infinity : Math.log(likelihoods[k]),
    )
    return { member, logs }
  }
  // Without a reading there is little to tell pairs apart by: one batch shows how far they come. After a repair they are what is left.
  const wanted = c.repairs.length ? AFTER_REPAIR * pairs : readings.length ? pairs : Math.min(pairs, BATCH)
  const { drafts, likeliest, total: all } = pairBounds(faulty.map(single), wanted)
  const members = [...singles]
  let made = 0
  let bound = all
  // How far pairs stay under their bound: what the last batch came to.
  let reached = USUALLY_REACHED
  while (made < drafts.length) {
    const known = members.reduce((s, m) => s + Math.exp(scored.get(m)!.log - likeliest), 0)
    if (reached * bound <= RESIDUAL_LEFT * known) break
    let [promised, came] = [0, 0]
    for (const d of drafts.slice(made, made + BATCH)) {
      const member = predictor.pair(d.a, d.b, d.weight)
      scored.set(member, score(predictor, member, c, readings))
      members.push(member)
      bound -= Math.exp(d.log - likeliest)
      promised += Math.exp(d.log - likeliest)
      came += Math.exp(scored.get(member)!.log - likeliest)
      made++
    }
    reached = Math.min(1, Math.max(LEAST_REACHED, came / promised))
  }

  // "Something else" is scored against the mixture of the listed members, reading by reading.
  const logs = members.map((m) => scored.get(m)!.log)
  const total = members.reduce((s, m) => s + m.weight, 0)
  let unlisted = Math.log(UNLISTED * total)
  let running = members.map((m) => Math.log(m.weight))
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
    const mix = told(members.map((m) => scored.get(m)!.heard[k]))
    unlisted += Math.log(SAID_ALIKE * mix + (1 - SAID_ALIKE) * HEARD * 0.5)
  })
  readings.forEach((r, k) => {
    const mix = told(members.map((m) => scored.get(m)!.each[k]))
    const shares = elseShares(r.procedure)
    const dimension = r.procedure.shape.takes === 'number' ? r.procedure.shape.dimension : undefined
    const earlier = readings
      .slice(0, k)
      .filter((x) => interventionsKey(x.interventions) === interventionsKey(r.interventions))
    const before = earlier.findLast((x) => keyOf(x) === keyOf(r))
    // A machine that has stopped comes to nothing that follows: one fact, however often it is found.
    const stopped = earlier.some((x) => x.value.is === 'never' && x.procedure.run === r.procedure.run)
    unlisted += Math.log(
      before
        ? againLikelihood(r.value, before.value, dimension, floorOf(r))
        : stopped && r.value.is === 'never'
          ? STAYS_STOPPED
          : shares.healthy * scored.get(members[0])!.each[k] +
            shares.mixture * mix +
            shares.broad * broadLikelihood(r.value, dimension),
    )
  })

  const top = Math.max(unlisted, ...logs)
  const p = Float64Array.from(logs, (x) => Math.exp(x - top))
  const other = Math.exp(unlisted - top)
  const unmade = reached * Math.max(0, bound) * Math.exp(likeliest - top)
  const sum = p.reduce((s, x) => s + x, 0) + other + unmade
  const doubtOf = (r: PlacedReading): Doubt => {
    const k = readings.indexOf(r)
    if (k < 0) return { slip: 0, misread: undefined }
    const by = new Map<Misread | undefined, number>()
    let slip = 0
    let listed = 0
    members.forEach((m, i) => {
      const fit = scored.get(m)!.fits[k]
      listed += p[i]
      slip += p[i] * fit.slip
      by.set(fit.misread, (by.get(fit.misread) ?? 0) + p[i] * fit.slip)
    })
    const [misread] = [...by].sort((a, b) => b[1] - a[1])[0]
    return { slip: slip / listed, misread }
  }
  return {
    members,
    p: p.map((x) => x / sum),
    unexplained: other / sum,
    residual: unmade / sum,
    log: top + Math.log(sum),
    readings: Float64Array.from(members, (m) =>
      scored.get(m)!.each.reduce((sum, l) => sum + Math.log(Math.max(l, 1e-300)), 0),
    ),
    doubts: c.readings.map(doubtOf),
    conditions: members.map((m) => scored.get(m)!.condition),
  }
}
