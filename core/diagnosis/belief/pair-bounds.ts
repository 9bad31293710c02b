import type { Hypothesis } from '../hypotheses'
import { LEAST_LIKELIHOOD } from './normal'

/** A single fault with the logarithm of the likelihood of each complaint and reading; -Infinity where it is repaired. */
export interface Single {
  hypothesis: Hypothesis
  logs: Float64Array
}

/** A pair that may be run, with an upper bound of the logarithm of its prior times the likelihood of everything. */
export interface Draft {
  a: Hypothesis
  b: Hypothesis
  priorWeight: number
  log: number
}

export interface PairBounds {
  /** The likeliest, best first. */
  drafts: Draft[]
  /** Greatest bound of all. */
  likeliest: number
  /** Sum over all pairs of exp(log − likeliest). */
  total: number
}

/** Weight of a pair because the first fault has brought about the second. */
function broughtAbout(a: Hypothesis, b: Hypothesis): number {
  const chance = a.activeFaults[0].fault.causes.find((c) => c.fault === b.activeFaults[0].fault.index)?.chance
  // The second fault's own severities share what it may come with.
  return chance === undefined ? 0 : (a.priorWeight * chance * b.priorWeight) / b.activeFaults[0].fault.ratePerYear
}

const pairWeight = (a: Hypothesis, b: Hypothesis, togetherYears: number): number =>
  a.priorWeight * b.priorWeight * togetherYears + broughtAbout(a, b) + broughtAbout(b, a)

const NEVER = Math.log(LEAST_LIKELIHOOD)

/**
 * Upper bounds of all pairs of two faults: their prior times, for each complaint and reading, the better of the two;
 * after the repair of one, the other alone. Cost n²/2 × evidence.
 *
 * @param most how many of the likeliest to return
 * @param togetherYears how long a first fault is lived with before a second may join it
 */
export function pairBounds(singles: readonly Single[], most: number, togetherYears: number): PairBounds {
  const n = singles.length
  const logs = new Float64Array((n * (n - 1)) / 2)
  const ends = new Uint32Array(logs.length)
  let pairs = 0
  let likeliest = -Infinity
  for (let i = 0; i < n; i++) {
    const { hypothesis: a, logs: x } = singles[i]
    for (let j = i + 1; j < n; j++) {
      const { hypothesis: b, logs: y } = singles[j]
      if (a.activeFaults[0].fault === b.activeFaults[0].fault) continue
      let log = Math.log(pairWeight(a, b, togetherYears))
      for (let k = 0; k < x.length; k++) log += Math.max(x[k], y[k], NEVER)
      if (log > likeliest) likeliest = log
      logs[pairs] = log
      ends[pairs++] = i * n + j
    }
  }
  if (!pairs) return { drafts: [], likeliest: 0, total: 0 }
  let total = 0
  for (let k = 0; k < pairs; k++) total += Math.exp(logs[k] - likeliest)
  const order =
    most > 0 ? Uint32Array.from({ length: pairs }, (_, k) => k).sort((p, q) => logs[q] - logs[p] || p - q) : []
  const drafts = Array.from(order.slice(0, most), (k): Draft => {
    const [a, b] = [singles[Math.floor(ends[k] / n)].hypothesis, singles[ends[k] % n].hypothesis]
    return { a, b, priorWeight: pairWeight(a, b, togetherYears), log: logs[k] }
  })
  return { drafts, likeliest, total }
}
