import { formatQuantity } from '../foundation/quantity'
import { LOCALE, type Locale } from './locale'

type Sort = 'ohms' | 'open-at-rest' | 'closed-at-rest' | 'moves' | 'matches'
interface CheckWords {
  title: string
  how: string
}

const SAYS: Record<Locale, (part: string, range: string) => Record<Sort, CheckWords>> = {
  en: (part, range) => ({
    ohms: {
      title: `New ${part}: ohms`,
      how: `At its bare terminals, on the bench, at room temperature. A good one: ${range}.`,
    },
    'open-at-rest': {
      title: `New ${part}: open at rest`,
      how: 'Nothing acting on it, as it will hang or lie: no continuity. Upside down it is the other way round.',
    },
    'closed-at-rest': {
      title: `New ${part}: closed at rest`,
      how: 'Nothing acting on it, cold, as it will hang or lie: continuity. Upside down a float is the other way round.',
    },
    moves: {
      title: `New ${part}: moves freely`,
      how: 'Worked by hand or tilted: it moves all its way and comes back by itself.',
    },
    matches: {
      title: 'The part that belongs there',
      how: 'Held beside the old one: rating plate (volts, hertz, pressure), thread, contact type (NO or NC), direction of flow, plug.',
    },
  }),
}

/**
 * Words for a check of a new part before it goes in.
 *
 * @param range least and most that a good winding shows, Ω
 */
export function describeNewPartCheck(
  sort: Sort,
  part: string,
  range?: readonly [number, number],
  locale: Locale = LOCALE,
): CheckWords {
  const shown = range ? `${formatQuantity(range[0], 'resistance')} to ${formatQuantity(range[1], 'resistance')}` : ''
  return SAYS[locale](part, shown)[sort]
}
