import { EXACT, refused, type Tool } from '../contract'

/** Chance that the miss rate is no greater than the bound. */
const CONFIDENCE = 0.95

/** log of the binomial coefficient. */
const logChoose = (n: number, k: number): number => {
  let sum = 0
  for (let i = 1; i <= k; i++) sum += Math.log(n - k + i) - Math.log(i)
  return sum
}

/** Chance of at most k misses in n, each missed with chance p. */
function atMost(k: number, n: number, p: number): number {
  if (p <= 0) return 1
  if (p >= 1) return k >= n ? 1 : 0
  let sum = 0
  for (let i = 0; i <= k; i++) sum += Math.exp(logChoose(n, i) + i * Math.log(p) + (n - i) * Math.log1p(-p))
  return Math.min(1, sum)
}

/**
 * Upper bound of a miss rate at 95 %, one-sided, exact (Clopper & Pearson 1934): the rate at which so few misses would be seen one time
 * in twenty. With none seen it is 1 − 0.05^(1/n).
 *
 * @param misses whole, 0 … n
 * @param n whole, ≥ 1
 */
export function missBound(misses: number, n: number): number {
  if (misses >= n) return 1
  let [low, high] = [misses / n, 1]
  for (let i = 0; i < 100; i++) {
    const mid = (low + high) / 2
    if (atMost(misses, n, mid) > 1 - CONFIDENCE) low = mid
    else high = mid
  }
  return (low + high) / 2
}

/** A switch worked many times. */
export const count: Tool = {
  id: 'count',
  fields: [
    { id: 'times', dimension: 'count', least: 1, most: 10000, accuracy: EXACT },
    { id: 'misses', dimension: 'count', least: 0, most: 10000, accuracy: EXACT },
  ],
  compute({ values }) {
    const [n, misses] = [Math.round(values.times!), Math.round(values.misses!)]
    if (misses > n) return refused('misses', 'contradicts')
    return {
      outcomes: [
        { id: 'seen', dimension: 'ratio', value: misses / n, formula: '{misses} / {times}' },
        {
          id: 'bound',
          dimension: 'ratio',
          value: missBound(misses, n),
          formula:
            misses === 0
              ? '1 − 0.05^(1 / {times})'
              : 'the rate at which {misses} or fewer of {times} come one time in twenty',
        },
      ],
      means: [misses > 0 ? 'misses' : n < 30 ? 'few' : 'clean'],
      problems: [],
    }
  },
}
