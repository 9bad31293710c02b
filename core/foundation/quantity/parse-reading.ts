import { problem } from '../issues'
import { ok, err, type Result } from '../result'
import { findUnit, DEFAULT_UNIT, toSi, type Dimension } from './units'

/** What a technician can write down at a meter or by his senses. Values are SI. */
export type ReadingValue =
  | { type: 'value'; si: number }
  | { type: 'open' }
  | { type: 'yes' }
  | { type: 'no' }
  /** It never came to where it would be taken; a phase that never began. */
  | { type: 'never' }
  /** A phase that began and did not end, however long it was waited for. */
  | { type: 'never-ended' }
  /** The timing was broken off at so many seconds, with the end still to come. */
  | { type: 'longer-than'; si: number }
  | { type: 'word'; word: string }
  /** So many of so many times it did what it should. */
  | { type: 'times'; clean: number; of: number }
  | { type: 'could-not' }

export type ReadingShape =
  { type: 'number'; dimension: Dimension } | { type: 'yes-no' } | { type: 'word'; words: string[] } | { type: 'times' }

const OPEN = new Set([
  'ol',
  'o.l',
  'o.l.',
  '0l',
  '0.l',
  '.ol',
  'o/l',
  'open',
  'inf',
  'infinite',
  '∞',
  'overload',
  '1 .',
  'open line',
])
const YES = new Set(['y', 'yes', 'ja', 'true', '+'])
const NO = new Set(['n', 'no', 'none', 'false', '-'])
const NEVER = new Set(['never', 'not reached', 'did not', "didn't", 'never began', 'did not begin'])
const NEVER_ENDED = new Set([
  'endless',
  'never ended',
  'did not end',
  'does not end',
  'never ends',
  'began and never ended',
])
/** `> 2 min`, `longer than 90 s`: what has lasted so long already. */
const LONGER = /^(?:>|longer than|more than|over|already)\s*(?=[\d.,])/iu
const COULD_NOT = new Set(['could not', "couldn't", 'cannot', "can't", 'skip', '?'])

/** `2k7`, `0R4`, `1M2`: the multiplier stands where the decimal point would. */
const CODED = /^(\d+)([kKMmRrΩ])(\d+)$/u
const CODE_FACTOR: Record<string, number> = { k: 1e3, K: 1e3, M: 1e6, m: 1e-3, R: 1, r: 1, Ω: 1 }
const PLAIN = /^([-+−]?(?:\d+(?:[.,]\d*)?|[.,]\d+))\s*(.*)$/u

/** What a display or a meter may show below zero: a level, by the offset of its sensor. */
const BELOW_ZERO = new Set<Dimension>(['temperature', 'voltage', 'current', 'length'])

function example(shape: ReadingShape): string {
  if (shape.type === 'yes-no') return 'yes or no'
  if (shape.type === 'word') return shape.words.join(', ')
  if (shape.type === 'times') return 'how many of how many times, such as 10/10 or 9 of 10'
  switch (shape.dimension) {
    case 'resistance':
      return 'ohms such as 118.6, 2k7, 1.2 kΩ, or OL'
    case 'voltage':
      return 'volts such as 118.6, 0.4 or 350 mV'
    case 'time':
      return 'a time such as 90, 90 s, 2:30 or > 2 min, or never began, or never ended'
    default:
      return `a number such as 12.5 ${DEFAULT_UNIT[shape.dimension].symbol}`
  }
}

/** `> 2 min`: a timing that was broken off. */
function parseLongerThan(plain: string, shape: ReadingShape): Result<ReadingValue> {
  const least = parseReading(plain.replace(LONGER, ''), shape)
  return least.ok && least.value.type === 'value'
    ? ok({ type: 'longer-than', si: least.value.si })
    : err(problem('bad-reading', [], { found: plain, expected: example(shape) }))
}

/**
 * Reads what a technician types for a test of the given shape: `OL`, `2k7`, `118.6`, `0.4`, `1,2 k`, `2:30`, `yes`.
 * A time may also be `> 2 min` (broken off), `never began` or `never ended`. A bare number is in the home unit of its dimension. `1,180` is refused: it is 1180 to one reader and 1.18 to another.
 *
 * @returns the reading in SI, or `bad-reading` / `wrong-dimension` / `ambiguous` saying what would be understood
 * @example parseReading('2k7', { type: 'number', dimension: 'resistance' }) // { type: 'value', si: 2700 }
 */
export function parseReading(text: string, shape: ReadingShape): Result<ReadingValue> {
  const plain = text.trim().replace(/\s+/g, ' ')
  const lower = plain.toLowerCase()
  const refuse = (code: 'bad-reading' | 'wrong-dimension' | 'ambiguous', expected: string) =>
    err(problem(code, [], { found: plain === '' ? 'nothing' : plain, expected }))
  if (COULD_NOT.has(lower)) return ok({ type: 'could-not' })
  if (shape.type === 'yes-no') {
    if (YES.has(lower)) return ok({ type: 'yes' })
    if (NO.has(lower)) return ok({ type: 'no' })
    if (NEVER.has(lower)) return ok({ type: 'never' })
    return refuse('bad-reading', example(shape))
  }
  if (NEVER.has(lower)) return ok({ type: 'never' })
  if (shape.type === 'number' && shape.dimension === 'time') {
    if (NEVER_ENDED.has(lower)) return ok({ type: 'never-ended' })
    if (LONGER.test(plain)) return parseLongerThan(plain, shape)
  }
  if (shape.type === 'word') {
    const letters = (s: string) => s.toUpperCase().replaceAll('O', '0').replace(/[\s-]/g, '')
    const word = shape.words.find((w) => letters(w) === letters(plain))
    return word === undefined ? refuse('bad-reading', example(shape)) : ok({ type: 'word', word })
  }
  if (shape.type === 'times') {
    const counted = /^(\d{1,4})\s*(?:\/|of|out of)\s*(\d{1,4})$/i.exec(plain)
    const [clean, of] = counted ? [Number(counted[1]), Number(counted[2])] : [NaN, NaN]
    if (!(of >= 1 && clean <= of)) return refuse('bad-reading', example(shape))
    return ok({ type: 'times', clean, of })
  }
  const { dimension } = shape
  if (dimension === 'resistance' && OPEN.has(lower)) return ok({ type: 'open' })
  const clock = /^(\d+):([0-5]\d)$/.exec(plain)
  if (clock && dimension === 'time') return ok({ type: 'value', si: Number(clock[1]) * 60 + Number(clock[2]) })
  const squeezed = plain.replaceAll(' ', '')
  const coded = CODED.exec(squeezed)
  if (coded && dimension === 'resistance')
    return ok({ type: 'value', si: Number(`${coded[1]}.${coded[3]}`) * CODE_FACTOR[coded[2]] })
  const match = PLAIN.exec(plain)
  if (!match) return refuse('bad-reading', example(shape))
  const digits = match[1].replace('−', '-')
  if (/^[-+]?[1-9]\d{0,2},\d{3}$/.test(digits))
    return refuse('ambiguous', `${digits.replace(',', '')} or ${digits.replace(',', '.')}, without the comma`)
  const number = Number(digits.replace(',', '.'))
  const unitText = match[2].trim()
  const unit =
    unitText === ''
      ? DEFAULT_UNIT[dimension]
      : dimension === 'resistance' && /^[kKMR]$/.test(unitText)
        ? findUnit(unitText === 'R' ? 'Ω' : unitText === 'M' ? 'MΩ' : 'kΩ')!
        : /^M(Ω|ohms?)$/.test(unitText)
          ? findUnit('MΩ')!
          : findUnit(unitText.replace(/\s*(ac|dc)$/i, ''))
  if (!unit || !Number.isFinite(number)) return refuse('bad-reading', example(shape))
  if (unit.dimension !== dimension) return refuse('wrong-dimension', example(shape))
  const si = toSi(number, unit)
  if (si < 0 && !BELOW_ZERO.has(dimension)) return refuse('bad-reading', example(shape))
  return ok({ type: 'value', si })
}
