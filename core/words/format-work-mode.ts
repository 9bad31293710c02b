import type { WorkMode } from '../evidence'
import { LOCALE, type Locale } from './locale'

const NAMES: Record<Locale, Record<WorkMode, string>> = {
  en: { energised: 'live', isolated: 'dead', water: 'water', observe: 'look' },
}

/** The trade's word for what a test asks of machine and hands: "live", "dead", "water", "look". */
export const formatWorkMode = (mode: WorkMode, locale: Locale = LOCALE): string => NAMES[locale][mode]
