/** What somebody said to a question. */
export type SpokenAnswer =
  | { type: 'yes' | 'no' | 'again' | 'undo' }
  /** A reading as it would be typed. */
  | { type: 'reading'; text: string }

const COMMANDS: Record<string, SpokenAnswer['type'] & ('yes' | 'no' | 'again' | 'undo')> = {
  yes: 'yes',
  yeah: 'yes',
  yep: 'yes',
  no: 'no',
  nope: 'no',
  again: 'again',
  repeat: 'again',
  undo: 'undo',
  back: 'undo',
}
const UNITS =
  'zero one two three four five six seven eight nine ten eleven twelve thirteen fourteen fifteen sixteen seventeen eighteen nineteen'
const SMALL = new Map(UNITS.split(' ').map((word, i) => [word, i]))
const TENS = new Map(
  'twenty thirty forty fifty sixty seventy eighty ninety'.split(' ').map((word, i) => [word, (i + 2) * 10]),
)
const OPEN = new Set(['open', 'ol', 'o l', 'over load', 'overload'])
/** Said of a unit that is clear from the test. */
const SILENT = new Set(['ohms', 'ohm', 'volts', 'volt', 'and', 'it', 'is', 'reads', 'seconds'])

/** Digits said one by one, "eight two zero"; `undefined` where a word is none. */
function digitsOf(words: readonly string[]): string | undefined {
  const digits = words.map((w) => (/^\d$/.test(w) ? Number(w) : SMALL.get(w)))
  return digits.length && digits.every((d) => d !== undefined && d < 10) ? digits.join('') : undefined
}

/** Below a hundred: "twelve", "twenty", "twenty four", "24"; `undefined` for anything else, "twenty thirty" too. */
function belowHundred(words: readonly string[]): number | undefined {
  const [first, second, ...more] = words
  if (first === undefined || more.length) return undefined
  if (second === undefined)
    return SMALL.get(first) ?? TENS.get(first) ?? (/^\d{1,2}$/.test(first) ? Number(first) : undefined)
  const [tens, ones] = [TENS.get(first), SMALL.get(second)]
  return tens !== undefined && ones !== undefined && ones > 0 && ones < 10 ? tens + ones : undefined
}

/** What stands before and after a word that multiplies, "eight hundred and twenty"; nothing before it is one, nothing behind it none. */
function around(
  words: readonly string[],
  word: string,
  factor: number,
  before: (words: readonly string[]) => number | undefined,
  after: (words: readonly string[]) => number | undefined,
): number | undefined {
  const at = words.indexOf(word)
  if (at < 0) return after(words)
  const head = at === 0 ? 1 : before(words.slice(0, at))
  const tail = at === words.length - 1 ? 0 : after(words.slice(at + 1))
  return head === undefined || tail === undefined || head === 0 || tail >= factor ? undefined : head * factor + tail
}
const belowThousand = (words: readonly string[]) => around(words, 'hundred', 100, belowHundred, belowHundred)

/** A whole number in words or in digits; `undefined` where it is none. */
function wholeOf(words: readonly string[]): number | undefined {
  const digits = digitsOf(words)
  return digits === undefined ? around(words, 'thousand', 1000, belowThousand, belowThousand) : Number(digits)
}

/**
 * What was said, as a command or a reading. Only whole answers count: what holds a word that is not understood is nothing, for
 * a reading half heard is worse than none.
 *
 * @param said as the device heard it
 */
export function spokenAnswer(said: string): SpokenAnswer | undefined {
  const text = said
    .toLowerCase()
    .replace(/[!?,]/g, ' ')
    .replace(/\.(?!\d)/g, ' ')
    .replace(/\s+/g, ' ')
    .trim()
  if (Object.hasOwn(COMMANDS, text)) return { type: COMMANDS[text] }
  if (OPEN.has(text)) return { type: 'reading', text: 'OL' }
  const words = text.split(' ').filter((w) => w && !SILENT.has(w))
  const last = words.at(-1)
  const factor = last === 'kilo' || last === 'k' ? 'k' : last === 'mega' || last === 'meg' ? 'M' : ''
  const number = factor ? words.slice(0, -1) : words
  if (number.length === 1 && /^\d+(\.\d+)?$/.test(number[0])) return { type: 'reading', text: number[0] + factor }
  const point = number.indexOf('point')
  const whole = point === 0 ? 0 : wholeOf(point < 0 ? number : number.slice(0, point))
  const after = number.slice(point + 1)
  // After a point figures are said one by one, or heard as one.
  const decimals = point < 0 ? '' : after.length === 1 && /^\d+$/.test(after[0]) ? after[0] : digitsOf(after)
  if (whole === undefined || decimals === undefined) return undefined
  return { type: 'reading', text: `${whole}${decimals ? `.${decimals}` : ''}${factor}` }
}
