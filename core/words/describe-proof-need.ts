import { formatQuantity } from '../foundation/quantity'
import { LOCALE, type Locale } from './locale'

/** What can have to hold after a repair. */
export type ProofSort = 'meter' | 'earth' | 'insulation' | 'cycle' | 'limit' | 'leak' | 'taps' | 'covers'

interface ProofWords {
  /** As it stands in a list of what is missing. */
  title: string
  /** How it is shown. */
  how: string
  /** When it may be said not to be asked of this machine; absent where it always is. */
  unless?: string
}

const SAYS: Record<Locale, (part: string) => Record<ProofSort, ProofWords>> = {
  en: (part) => ({
    meter: {
      title: 'meter proved on a known source, before and after',
      how: 'The meter that said "dead" and "good" shows a known live source, and shorted tips read near zero, also after the work.',
    },
    earth: {
      title: 'earth continuity to every metal part touched',
      how: 'Isolated and proved dead. Null the leads, then from the earth pin or earth terminal of the supply to bare metal of each part that was touched, scraped through paint, the cord moved meanwhile. The worst one counts. What local code asks goes before the limit here.',
      unless: 'No metal that can be touched: it is double-insulated or all plastic',
    },
    insulation: {
      title: 'insulation to earth, before power returns',
      how: 'Isolated and proved dead, live and neutral both off, boards, filters, arresters, sensors and low-voltage circuits unplugged, nobody touching. The test voltage of the sheet or the local code, from live and neutral joined to earth; discharged after. OL on an ohm meter is no insulation test.',
      unless: 'It may not be tested on this machine: its papers say so, or it cannot be unplugged from its electronics',
    },
    cycle: {
      title: 'a whole cycle watched',
      how: 'Start the program in the run view and mark what comes. What the fault would have changed must come in its time; nothing may be missing.',
      unless: 'No cycle can be run here and now: say why, and who watches the first one',
    },
    limit: {
      title: `seen to act: ${part}`,
      how: 'Bring it to its point and see the heat stop: level lowered by the drain with the heat called for, pressure or temperature run up to the setting, eyes on it all the while. One that would be spent, or trips past what is safe to reach, is checked on the bench and by its rating.',
      unless: 'It cannot be made to act here: say how it was checked',
    },
    leak: {
      title: 'no leak under pressure',
      how: 'Water on, every joint that was opened dry to a paper towel: at rest, with the valve open, and after it has shut.',
    },
    taps: {
      title: 'taps and bleeds as they should stand',
      how: 'Stops fully open, bleeds snug, flow control at its noted setting, plungers not left turned.',
    },
    covers: {
      title: 'covers and panels on, nothing trapped',
      how: 'Every screw in, no lead under an edge, earth leads of panels on, machine back and level.',
    },
  }),
}

/**
 * Words for one thing that has to hold after a repair.
 *
 * @param part what a limit is called
 */
export const describeProofNeed = (sort: ProofSort, part = '', locale: Locale = LOCALE): ProofWords =>
  SAYS[locale](part)[sort]

/** Between what a measured proof passes, Ω, as a hint in its field. */
export const describeProofLimit = ({ least, most }: { least?: number; most?: number }): string =>
  least === undefined
    ? `at most ${formatQuantity(most ?? Infinity, 'resistance')}`
    : `at least ${formatQuantity(least, 'resistance')}`

/** Confidence with which a rate is bounded. */
const CONFIDENCE = 0.95

/**
 * How often a fault that comes and goes may still come after so many clean cycles: at most 1 − 0.05^(1/n), at 95 %.
 *
 * @param clean cycles without it, from 0
 */
export function describeRiskLeft(clean: number): string {
  if (clean < 1) return 'It comes and goes: no clean cycle has been watched yet, so nothing says that it stays away.'
  const rate = 1 - (1 - CONFIDENCE) ** (1 / clean)
  const often = rate > 0.5 ? 'more than every second cycle' : `one cycle in ${Math.max(2, Math.round(1 / rate))}`
  return `It comes and goes: ${clean} clean ${clean === 1 ? 'cycle leaves' : 'cycles leave'} a risk that it still comes in up to ${often}.`
}
