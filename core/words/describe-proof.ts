import { capital } from './capital'
import type { SafetyNeed } from '../job'
import { LOCALE, type Locale } from './locale'

const SAYS: Record<
  Locale,
  { pair(a: string, b: string): string; proof(at: string | undefined, pairs: readonly string[]): string }
> = {
  en: {
    pair: (a, b) => `${a} to ${b}`,
    proof: (at, pairs) => `${at ? `${at}: ` : ''}${pairs.join(', ')}, each on AC and on DC`,
  },
}

/**
 * Where and between what a machine is proved dead.
 *
 * @returns without a full stop; empty for a step that proves nothing
 */
export function describeProof({ at, between }: Pick<SafetyNeed, 'at' | 'between'>, locale: Locale = LOCALE): string {
  if (!between?.length) return ''
  const says = SAYS[locale]
  const text = says.proof(
    at,
    between.map(([a, b]) => says.pair(a, b)),
  )
  return capital(text)
}
