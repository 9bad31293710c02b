import { capital } from './capital'
import type { LinkTrouble, SeenCall } from '../metering'
import { formatClock } from './describe-run'
import { LOCALE, type Locale } from './locale'

const TROUBLES: Record<Locale, Record<LinkTrouble, string>> = {
  en: {
    'address-refused': 'this server does not open a line to where that name leads',
    'not-found': 'nothing is known under that name',
    'no-connection': 'nobody answers at its address',
    broken: 'its line broke',
    'no-answer': 'it does not answer',
    nonsense: 'what it sends is no number',
    taken: 'another process of the server reads it',
    refused: 'it refuses what it is set to',
    'too-many': 'the server holds as many lines as it can',
    'database-away': 'the server cannot reach its database',
  },
}

/** What is the matter with a line, with what the meter itself said. It is tried again. */
export const describeLink = (why: LinkTrouble, text = '', locale: Locale = LOCALE): string =>
  `Lost: ${TROUBLES[locale][why]}${text ? ` (${text})` : ''}. It is tried again; what was read stays.`

const SAID: Record<Locale, Record<SeenCall['is'], string>> = {
  en: {
    came: 'shown',
    'goes-on': 'on since',
    never: 'not shown',
    unwatched: 'not watched',
    due: 'still to come',
    unasked: 'shown unasked',
  },
}

/** A call that a good machine makes and what a meter saw of it. */
export function describeSeenCall({ expected, shown, is }: SeenCall, locale: Locale = LOCALE): string {
  const stretch = (s: { from: number; to: number }) => `${formatClock(s.from)} to ${formatClock(s.to)}`
  const said = SAID[locale][is]
  const seen = !shown ? said : is === 'goes-on' ? `${said} ${formatClock(shown.from)}` : `${said} ${stretch(shown)}`
  return expected ? `Expected ${stretch(expected)}: ${seen}` : capital(seen)
}
