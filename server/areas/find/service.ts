import type { Person } from '../../../shared/contracts/session'
import { findRows, readWords } from './repository'

const MOST = 30

/** Anything of the organisation by any words; a word that nobody has written is taken for those that are a letter or two off. */
export async function findAnything({ organisation }: Person, typed: string) {
  const words = await readWords(organisation, typed)
  const meant = words.filter((w) => !w.known).map((w) => ({ typed: w.typed, words: w.meant }))
  // A word that stands for nothing is in nothing.
  if (!words.length || meant.some((m) => !m.words.length)) return { found: [], meant }
  // Words are letters and digits alone: nothing in them that a query of the database would read otherwise.
  const asked = words.map((w) => (w.known ? `${w.typed}:*` : `(${w.meant.join(' | ')})`)).join(' & ')
  return { found: await findRows(organisation, asked, MOST), meant }
}
