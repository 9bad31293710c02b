/** What people look for a machine by: maker, model, family, codes, lamps, complaints. */
export interface Findable {
  words: readonly string[]
}

/** Letters and digits alone, small; O is 0, I and l are 1: rating plates and displays are misread that way. */
const plain = (text: string): string =>
  text
    .toLowerCase()
    .normalize('NFKD')
    .replace(/[^\p{L}\p{N} ]/gu, '')
    .replaceAll('o', '0')
    .replace(/[il]/g, '1')

/** Whether one edit (a letter wrong, missing or too many) turns one word into the beginning of the other. */
function nearly(word: string, other: string): boolean {
  let [i, j] = [0, 0]
  while (i < word.length && j < other.length && word[i] === other[j]) {
    i++
    j++
  }
  const rest = (a: number, b: number) => other.slice(b).startsWith(word.slice(a))
  return rest(i, j) || rest(i + 1, j + 1) || rest(i + 1, j) || rest(i, j + 1)
}

/** Shorter words are looked for at the ends of model numbers alone. */
const SHORT = 3
const partOf = (word: string, token: string): boolean =>
  /\d/.test(token) && !/^\d$/.test(word) && (token.startsWith(word) || token.endsWith(word))

/** Words shorter than this must fit exactly. */
const FORGIVEN = 4
/** A short word with a letter left out: `lft`. */
const leavesOut = (word: string, other: string): boolean =>
  word.length === FORGIVEN - 1 &&
  other.length === FORGIVEN &&
  word[0] === other[0] &&
  [...other].some((_, k) => other.slice(0, k) + other.slice(k + 1) === word)

/** Pieces of a model that were typed apart stand together again: `d 6`. */
function together(asked: readonly string[], joined: readonly string[]): string[] {
  const out: string[] = []
  for (const word of asked) {
    const last = out.at(-1)
    const both = last === undefined ? '' : last + word
    if (last !== undefined && last.length < SHORT && word.length < SHORT && joined.some((w) => w.includes(both)))
      out[out.length - 1] = both
    else out.push(word)
  }
  return out
}

/**
 * How well a query fits, 0 when some word of it is found nowhere. Spelling, spaces and hyphens are forgiven.
 *
 * @example fits({ words: ['Orrisk TL-40'] }, 'orisk tl4o') > 0
 */
export function fits({ words }: Findable, query: string): number {
  const whole = words.map(plain)
  const single = whole.flatMap((w) => w.split(/\s+/))
  const joined = whole.map((w) => w.replaceAll(' ', ''))
  const asked = together(plain(query).split(/\s+/).filter(Boolean), joined)
  let score = 1
  for (const word of asked) {
    if (single.includes(word)) score += 3
    else if (word.length >= SHORT ? joined.some((w) => w.includes(word)) : single.some((w) => partOf(word, w)))
      score += 2
    else if (word.length >= FORGIVEN && single.some((w) => w.length >= FORGIVEN - 1 && nearly(word, w))) score += 1
    else if (single.some((w) => leavesOut(word, w))) score += 1
    else return 0
  }
  return score
}

/** What fits a query, best first, in the order given where it fits alike; everything when nothing is asked. */
export const search = <T extends Findable>(list: readonly T[], query: string): T[] =>
  list
    .map((x) => ({ x, score: fits(x, query) }))
    .filter(({ score }) => score > 0)
    .sort((a, b) => b.score - a.score)
    .map(({ x }) => x)
