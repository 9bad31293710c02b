/** What people say for a thing, by the beginnings of their words. A complaint of a sheet and a customer's sentence meet here. */
const SAID: readonly (readonly string[])[] = [
  ['no', 'not', 'nothing', 'never', 'wont', 'doesnt', 'isnt', 'cant', 'without', 'stays', 'stay', 'refus', 'nowt'],
  ['fill', 'takes', 'taking', 'enter', 'comes', 'coming', 'water', 'inlet', 'in'],
  ['drain', 'empt', 'stand', 'pump', 'waste', 'away', 'leav'],
  ['over', 'keeps', 'flood', 'spill', 'brim', 'stop', 'endless'],
  ['floor', 'leak', 'puddle', 'wet', 'drip', 'under'],
  ['hot', 'warm', 'scald', 'boil'],
  ['cold', 'cool', 'chill'],
  ['hum', 'buzz', 'nois', 'rattl', 'drone'],
  ['part', 'half', 'middle', 'way', 'stuck', 'hang', 'freez'],
  ['code', 'show', 'blink', 'flash', 'lamp', 'light', 'display', 'beep'],
  ['trip', 'breaker', 'fuse', 'blow', 'rcd', 'electr'],
  ['slow', 'long', 'ages', 'forever', 'hour', 'late'],
  ['heat', 'element'],
  ['steam'],
  ['ice', 'cube', 'flake', 'slab', 'bin'],
  ['zone', 'sprinkl', 'lawn', 'bed', 'valve'],
  ['weak', 'littl', 'trickl', 'thin', 'short', 'dribbl'],
  ['off', 'unplug', 'switched'],
  ['start', 'run', 'begin', 'work', 'dead', 'alive'],
  ['dish', 'glass', 'plates', 'dirty'],
]
/** Words that say nothing of what is wrong. */
const EMPTY = new Set(
  'a an and at but for from it its me my of on or our so that the then this to we with is was has have do does up just some only there'.split(
    ' ',
  ),
)

const wordsOf = (text: string): string[] =>
  text
    .toLowerCase()
    .normalize('NFKD')
    .replace(/['’]/g, '')
    .split(/[^\p{L}\p{N}]+/u)
    .filter((w) => w && !EMPTY.has(w))

/** What a sentence is about: the numbers of its meanings, and its own words. */
function aboutOf(text: string): { meanings: Set<number>; words: Set<string> } {
  const words = wordsOf(text)
  const meanings = new Set<number>()
  SAID.forEach((beginnings, i) => {
    if (words.some((w) => beginnings.some((b) => (b.length < 4 ? w === b || w === `${b}s` : w.startsWith(b)))))
      meanings.add(i)
  })
  return { meanings, words: new Set(words) }
}

/** A complaint is suggested from this score, and so many at most. */
const FROM = 0.45
const MOST = 4

/**
 * Complaints that a customer's sentence may mean, the likeliest first.
 *
 * @param list complaints in the words of the sheet
 * @returns those worth offering; none for a sentence that says nothing of what is wrong
 */
export function suggest<T extends { words: string }>(list: readonly T[], sentence: string): T[] {
  const said = aboutOf(sentence)
  if (!said.meanings.size) return []
  return list
    .map((c) => {
      const own = aboutOf(c.words)
      const shared = [...own.meanings].filter((m) => said.meanings.has(m)).length
      const same = [...own.words].filter((w) => said.words.has(w)).length
      const both = new Set([...own.meanings, ...said.meanings]).size
      return { c, score: shared / Math.max(1, both) + 0.12 * same }
    })
    .filter(({ score }) => score >= FROM)
    .sort((a, b) => b.score - a.score)
    .slice(0, MOST)
    .map(({ c }) => c)
}
