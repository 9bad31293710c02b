import { dayAfter } from './local-time'

/** What lime a litre of water leaves for each German degree of hardness, mg of calcium carbonate: 1 °dH is 10 mg/L of CaO (DIN 38409-6). */
const CARBONATE_PER_DEGREE = 17.85

/**
 * Days between two descalings, by what comes in with the water.
 *
 * @param hardness °dH, above 0
 * @param litresPerDay that are heated or evaporated, above 0
 * @param limeGrams that the machine may gather, g of calcium carbonate, above 0
 * @returns whole days, at least 1, at most 730
 * @example descaleEvery(15, 40, 1000) is 93
 */
export const descaleEvery = (hardness: number, litresPerDay: number, limeGrams: number): number =>
  Math.min(730, Math.max(1, Math.floor((limeGrams * 1000) / (hardness * litresPerDay * CARBONATE_PER_DEGREE))))

/** A thing that is done again and again. */
export interface Care {
  /** YYYY-MM-DD; `undefined`: never yet, as far as anybody knows. */
  lastDone: string | undefined
  everyDays: number
}

/** The day on which it is due; what was never done is due today. */
export const dueOn = ({ lastDone, everyDays }: Care, today: string): string =>
  lastDone === undefined ? today : dayAfter(lastDone, everyDays)

const NUMBERS: Readonly<Record<string, number>> = { one: 1, two: 2, three: 3, four: 4, six: 6, twelve: 12 }
const DAYS: Readonly<Record<string, number>> = { day: 1, week: 7, month: 30, year: 365 }

/**
 * Days of an interval as a sheet writes it.
 *
 * @returns `undefined` where it is none: "when the lamp says so"
 * @example daysOf('every three months') is 90
 */
export function daysOf(every: string): number | undefined {
  const [, count, unit] = /\b(?:each|every)\s+(?:(\w+)\s+)?(day|week|month|year)s?\b/i.exec(every) ?? []
  if (!unit) return undefined
  const n = count === undefined ? 1 : (NUMBERS[count.toLowerCase()] ?? Number(count))
  return Number.isFinite(n) && n > 0 ? n * DAYS[unit.toLowerCase()] : undefined
}
