/** What has to be the same where one part stands in for another. */
export const FIGURES = ['volts', 'degrees', 'contact', 'thread'] as const
export type Figure = (typeof FIGURES)[number]

/** What of a part says whether another may stand in for it; a figure that is empty does not matter. */
export interface Figured extends Readonly<Record<Figure, string>> {
  number: string
  kind: string
  substitutes: readonly string[]
}

/** Written alike: 230V and 230 V, R 1/2 and r1/2. */
const alike = (text: string): string => text.toLowerCase().replace(/\s+/g, '')

/**
 * By what a part may stand in for another: named by its maker or the shop, or of the same sort with every figure that the other states
 * the same. One of which the other states no figure stands in by name alone: of what nobody wrote down nobody knows that it is the same.
 *
 * @returns `undefined` where it may not
 */
export function standsInBy(part: Figured, other: Figured): readonly ('named' | Figure)[] | undefined {
  const number = alike(other.number)
  if (number === alike(part.number)) return undefined
  const named = part.substitutes.some((s) => alike(s) === number)
  const stated = FIGURES.filter((f) => part[f].trim() !== '')
  const same = stated.length > 0 && stated.every((f) => alike(part[f]) === alike(other[f]))
  if (part.kind && alike(part.kind) === alike(other.kind) && same) return named ? ['named', ...stated] : stated
  return named ? ['named'] : undefined
}
