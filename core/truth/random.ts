/** Seeded generator of numbers in [0, 1) (mulberry32). */
export function random(seed: number): () => number {
  let state = seed
  return () => {
    state = (state + 0x6d2b79f5) | 0
    let t = Math.imul(state ^ (state >>> 15), 1 | state)
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296
  }
}
export type Random = () => number

/** A standard normal number (Box & Muller 1958), from two uniform ones. */
export const normal = (next: Random): number => Math.sqrt(-2 * Math.log(1 - next())) * Math.cos(2 * Math.PI * next())

/** Mean 0, standard deviation 1, and flat: another shape than the engine believes in. */
export const flat = (next: Random): number => Math.sqrt(3) * (2 * next() - 1)

/** One of a list that is not empty, each with the same chance. */
export const pick = <T>(next: Random, list: readonly T[]): T => list[Math.floor(next() * list.length)]

/** One of a list by its weight. */
export function weighted<T>(next: Random, list: readonly T[], weight: (x: T) => number): T {
  let left = next() * list.reduce((sum, x) => sum + weight(x), 0)
  return list.find((x) => (left -= weight(x)) <= 0) ?? list.at(-1)!
}
