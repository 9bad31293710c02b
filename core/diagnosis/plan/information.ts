import type { TestOutcome } from './bins'

/** Entropy of non-negative weights once they sum to one, nat. */
function entropy(weights: Float64Array): number {
  let [sum, bits] = [0, 0]
  for (const w of weights) sum += w
  for (const w of weights) if (w > 0) bits -= (w / sum) * Math.log(w / sum)
  return bits
}

/**
 * What a test tells of what is to be done, or of the fault: the expected fall of the entropy over the repairs, or the faults, nat (Lindley
 * 1956). A saving at one step is nothing where the answer does not change what is done next; this is not, where another test would
 * finish it.
 *
 * @param goalsOf indices of the repairs that each hypothesis needs, or of its faults
 * @param goals number of repairs or faults of the sheet
 */
export function informationOn(
  outcomes: readonly TestOutcome[],
  goalsOf: readonly (readonly number[])[],
  goals: number,
): number {
  const before = new Float64Array(goals)
  let [after, listed] = [0, 0]
  for (const o of outcomes) {
    const left = new Float64Array(goals)
    goalsOf.forEach((own, i) => own.forEach((g) => (left[g] += o.after[i] * o.p)))
    left.forEach((w, g) => (before[g] += w))
    after += o.p * entropy(left)
    listed += o.p
  }
  return listed > 0 ? entropy(before) - after / listed : 0
}
