import { elseShares } from './else-shares'
import { editsKey, type Member, type Predictor } from '../predict'
import { pairBounds } from './pair-bounds'
import {
  againLikelihood,
  broadLikelihood,
  likelihood,
  noCondition,
  withAnswer,
  withValue,
  type Fit,
} from './likelihood'
import type { Belief, Case, Condition, Doubt, Misread, PlacedReading } from './types'

/** A complaint is heard where the machine shows it, and sometimes where it does not. */
const HEARD = 0.9
const MISHEARD = 0.006
/** How often what is not listed is complained of in the words of what is. */
const SAID_ALIKE = 0.85
/** Share of calls whose cause no sheet lists. */
const UNLISTED = 0.05
/** Chance that a test of a program that has been found stopped does not come to its moment either, whatever the cause. */
const STAYS_STOPPED = 0.9
/** Most pairs run as pairs for one state of evidence. */
export const PAIRS_MADE = 64
/** Pairs are run in batches until what is left of them is at most this share. */
const BATCH = 16
const RESIDUAL_LEFT = 0.02
/** Share of their bound that pairs come to before any has been run. */
const USUALLY_REACHED = 0.3
/** Pairs not run are never taken for less than this share of their bound. */
const LEAST_REACHED = 0.05

/** Chance that a slip is made in the same way again when a reading is repeated. */
const SLIPS_AGAIN = 0.2
/** The same of a sense: who mistook it once mistakes it again. */
const MISTAKES_AGAIN = 0.5

/** Names what is read, how, and with what in and out: two readings with one key are one thing read twice. */
export const keyOf = (r: Pick<PlacedReading, 'procedure' | 'meter' | 'edits'>): string =>
  `${r.procedure.key}|${r.meter ?? ''}|${editsKey(r.edits)}`

/** Readings in an order that does not depend on when they were taken. */
function inOrder(readings: readonly PlacedReading[]): PlacedReading[] {
  const key = (r: PlacedReading) => `${keyOf(r)}|${JSON.stringify(r.value)}`
  const sorted = [...readings].filter((r) => r.value.is !== 'could-not').sort((a, b) => (key(a) < key(b) ? -1 : 1))
  // The same sense asked twice about the same thing is one witness.
  const sensed = (r: PlacedReading) => r.value.is === 'yes' || r.value.is === 'no'
  return sorted.filter((r, i) => !sensed(r) || i === 0 || key(sorted[i - 1]) !== key(r))
}

interface Scored {
  /** Logarithm of prior × likelihood of everything. */
  log: number
  condition: Condition
  /** Likelihood of each reading, in the fixed order. */
  each: number[]
  fits: Fit[]
  prior: number
  complaint: number
  /** Likelihood of each complaint. */
  heard: number[]
}

/** Scores one member on its own: every reading given the earlier ones. */
function score(predictor: Predictor, member: Member, c: Case, readings: readonly PlacedReading[]): Scored {
  const heard = c.complaints.map(({ complaint, edits }) =>
    predictor.complains(member, complaint, edits) ? HEARD : MISHEARD,
  )
  const complaint = heard.reduce((product, x) => product * x, 1)
  // A machine whose every fault has been repaired still fails only when the repair did not hold.
  const done = member.present.filter(({ fault }) => c.repairs.includes(fault.repair))
  const { repairs } = predictor.bench.machine.sheet
  const held =
    done.length > 0 && done.length === member.present.length
      ? done.reduce((chance, { fault }) => chance + 1 - repairs[fault.repair].holds, 1e-9)
      : 1
  let log = Math.log(member.weight) + Math.log(complaint) + Math.log(held)
  let condition = noCondition
  const each: number[] = []
  const fits: Fit[] = []
  readings.forEach((r, k) => {
    const p = predictor.predict(member, r.procedure, r.meter, r.edits)
    const dimension = r.procedure.shape.takes === 'number' ? r.procedure.shape.dimension : undefined
    const fit = likelihood(p, r.value, dimension, condition, keyOf(r))
    const { explains } = fit
    const first = readings.findLastIndex((x, i) => i < k && keyOf(x) === keyOf(r))
    const again = first < 0 ? 0 : (p.is === 'sense' ? MISTAKES_AGAIN : SLIPS_AGAIN) * fits[first].slip
    const l =
      again > 0 ? (1 - again) * fit.l + again * againLikelihood(r.value, readings[first].value, dimension) : fit.l
    fits.push(fit)
    each.push(l)
    log += Math.log(Math.max(l, 1e-300))
    if (explains && p.is === 'value' && r.value.is === 'value')
      condition = withValue(condition, p, r.value.si, keyOf(r))
    if (p.is === 'sense' && (r.value.is === 'yes' || r.value.is === 'no'))
      condition = withAnswer(condition, p, r.value.is === 'yes')
  })
  return { log, condition, each, fits, prior: member.weight, complaint, heard }
}

/**
 * The belief that a case leads to. Pure: depends on the evidence alone, not on its order nor on earlier calls.
 *
 * Singles are scored first; pairs that could explain the readings best, each reading by the better of its two
 * faults, are run as pairs in one machine; what is not run counts as `residual`.
 *
 * @param pairs how many pairs to run; 0 gives the quick answer, `PAIRS_MADE` the settled one
 */
export function believe(predictor: Predictor, c: Case, pairs: number = PAIRS_MADE): Belief {
  const readings = inOrder(c.readings)
  const singles = predictor.members.filter((m) => m.present.length < 2)
  const scored = new Map<Member, Scored>(singles.map((m) => [m, score(predictor, m, c, readings)]))
  const faulty = singles.filter((m) => m.present.length === 1)

  const evidence = [...c.complaints, ...readings]
  const single = (member: Member) => {
    const { heard, each } = scored.get(member)!
    const { repair } = member.present[0].fault
    const likelihoods = [...heard, ...each]
    // After its repair a fault explains nothing any more.
    const logs = Float64Array.from(evidence, ({ edits }, k) =>
      edits.some((e) => e.repair === repair) ? -Infinity : Math.log(likelihoods[k]),
    )
    return { member, logs }
  }
  // Without a reading there is little to tell pairs apart by: one batch shows how far they come.
  const wanted = readings.length || c.repairs.length ? pairs : Math.min(pairs, BATCH)
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
    const earlier = readings.slice(0, k).filter((x) => editsKey(x.edits) === editsKey(r.edits))
    const before = earlier.findLast((x) => keyOf(x) === keyOf(r))
    // A machine that has stopped comes to nothing that follows: one fact, however often it is found.
    const stopped = earlier.some((x) => x.value.is === 'never' && x.procedure.run === r.procedure.run)
    unlisted += Math.log(
      before
        ? againLikelihood(r.value, before.value, dimension)
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
    readings: Float64Array.from(members, (m) =>
      scored.get(m)!.each.reduce((sum, l) => sum + Math.log(Math.max(l, 1e-300)), 0),
    ),
    doubts: c.readings.map(doubtOf),
    conditions: members.map((m) => scored.get(m)!.condition),
  }
}
