/** What a call may need: a part by its number, and the chance that it is what the call ends with. */
export interface CallNeed {
  part: string
  /** 0 … 1 */
  chance: number
}

/** A part that could be taken along. */
export interface Packable {
  part: string
  /** What one costs, in minor units; not below 0. */
  minor: number
  /** How many lie in the van already. */
  inVan: number
}

/** How many of a part are taken along besides what lies in the van, and what for. */
export interface Packed {
  part: string
  count: number
  /** Chance that at least one of the calls needs it. */
  chance: number
  minor: number
}

/** The budget is cut into so many pieces at most: the choice is exact to one of them. */
const PIECES = 4000

/**
 * Chance that at least 1, 2, 3 … of the calls need a part, calls taken as independent of each other (Poisson binomial distribution, by
 * adding one call after another).
 *
 * @param chances of each call, 0 … 1
 * @returns by how many, from one on; as long as there are calls
 * @example atLeast([0.5, 0.5]) is [0.75, 0.25]
 */
export function atLeast(chances: readonly number[]): number[] {
  let exactly = [1]
  for (const p of chances) {
    const next = new Array<number>(exactly.length + 1).fill(0)
    exactly.forEach((q, k) => {
      next[k] += q * (1 - p)
      next[k + 1] += q * p
    })
    exactly = next
  }
  const tail: number[] = []
  let sum = 0
  for (let k = exactly.length - 1; k > 0; k--) {
    sum += exactly[k]
    tail.unshift(Math.min(1, sum))
  }
  return tail
}

/**
 * What a day's calls are likely to need, within a budget: of all pieces that could be taken along those that spare most return visits
 * (0/1 knapsack by dynamic programming; a second piece of a part spares less than the first, so it is never taken before it).
 *
 * @param calls what each call of the day may need; a part at most once a call
 * @param budget minor units that the pieces taken along may cost together, from 0
 * @returns the likeliest first; what lies in the van already is left out
 */
export function packVan(calls: readonly (readonly CallNeed[])[], parts: readonly Packable[], budget: number): Packed[] {
  const step = Math.max(1, Math.ceil(budget / PIECES))
  const room = Math.floor(budget / step)
  const tails = parts.map(({ part }) =>
    atLeast(calls.flatMap((c) => c.filter((n) => n.part === part).map((n) => n.chance))),
  )
  const pieces = parts.flatMap(({ minor, inVan }, i) =>
    tails[i].slice(inVan).map((value) => ({ i, weight: Math.ceil(minor / step), value })),
  )
  let best = new Float64Array(room + 1)
  const taken: Uint8Array[] = []
  for (const { weight, value } of pieces) {
    const next = best.slice()
    const took = new Uint8Array(room + 1)
    for (let w = weight; w <= room; w++)
      if (best[w - weight] + value > next[w]) {
        next[w] = best[w - weight] + value
        took[w] = 1
      }
    best = next
    taken.push(took)
  }
  const counts = new Array<number>(parts.length).fill(0)
  for (let k = pieces.length - 1, w = room; k >= 0; k--)
    if (taken[k][w]) {
      counts[pieces[k].i]++
      w -= pieces[k].weight
    }
  return parts
    .map(({ part, minor }, i) => ({ part, minor, count: counts[i], chance: tails[i][0] ?? 0 }))
    .filter((p) => p.count > 0)
    .sort((a, b) => b.chance - a.chance || a.minor - b.minor)
}
