import type { TestOutcome } from './bins'

/** Entropy of non-negative weights once they sum to one, nat. */
function entropy(weights: Float64Array): number {
  let [sum, bits] = [0, 0]
  for (const w of weights) sum += w
  for (const w of weights) if (w > 0) bits -= (w / sum) * Math.log(w / sum)
  return bits
}

/**
 * What a test tells of which repair is needed: the expected fall of the entropy over the repairs, nat (Lindley 1956). A saving at
 * one step is nothing where the answer does not change what is done next; this is not, where another test would finish it.
 *
 * @param requiredRepairs indices of the repairs that each hypothesis needs
 * @param repairs number of repairs of the sheet
 */
export function remedyInformation(
  outcomes: readonly TestOutcome[],
  requiredRepairs: readonly (readonly number[])[],
  repairs: number,
): number {
  const before = new Float64Array(repairs)
  let [after, listed] = [0, 0]
  for (const o of outcomes) {
    const left = new Float64Array(repairs)
    requiredRepairs.forEach((required, i) => required.forEach((r) => (left[r] += o.after[i] * o.p)))
    left.forEach((w, r) => (before[r] += w))
    after += o.p * entropy(left)
    listed += o.p
  }
  return listed > 0 ? entropy(before) - after / listed : 0
}
