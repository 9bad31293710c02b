import type { Machine } from './types'

/** Two conductors between which it is proved dead, in the trade's words. */
export type ProvingPair = readonly [string, string]

/**
 * Between what a machine is proved dead: every conductor of every supply to each other and to earth. Where it has several
 * supplies, their conductors are told apart by the supply.
 *
 * @returns each pair once; n (n − 1) / 2 for n conductors
 */
export function provingPairs({ parts, kinds }: Pick<Machine, 'parts' | 'kinds'>): ProvingPair[] {
  const supplies = parts.filter((p) => kinds[p.index].conductors)
  const conductors = supplies.flatMap((p) =>
    Object.values(kinds[p.index].conductors!).map((word) =>
      supplies.length > 1 && word !== 'earth' ? `${word} of the ${p.title}` : word,
    ),
  )
  const each = [...new Set(conductors)]
  return each.flatMap((a, i) => each.slice(i + 1).map((b) => [a, b] as const))
}
