import type { Doubt, Finding, Verdict } from '../diagnosis/belief'
import { formatQuantity, type Dimension, type ReadingValue } from '../foundation/quantity'
import { LOCALE, type Locale } from './locale'
import { capital } from './capital'

const FINDINGS: Record<Locale, Record<Finding, string>> = {
  en: {
    good: 'as it should be',
    'near-edge': 'near the edge',
    low: 'too low',
    high: 'too high',
    open: 'open',
    wrong: 'not as it should be',
    'never-came': 'never came',
    'never-ended': 'never ended',
    'not-taken': 'not taken',
  },
}

/** A finding in words: "too low". */
export const formatFinding = (finding: Finding, locale: Locale = LOCALE): string => FINDINGS[locale][finding]

/** What so many clean times leave open: the greatest miss rate that would still give them one time in twenty. */
const missRate = (n: number): number => 1 - 0.05 ** (1 / n)

/** The verdict on a reading, with what a healthy machine shows. */
export function describeVerdict(v: Verdict, dimension: Dimension | undefined, value?: ReadingValue): string {
  if (value?.type === 'times' && value.clean === value.of)
    return `As it should be; up to ${Math.ceil(100 * missRate(value.of))} of 100 could still miss`
  const band =
    v.band && dimension
      ? ` (healthy: ${formatQuantity(v.band.low, dimension)} to ${formatQuantity(v.band.high, dimension)})`
      : ''
  return `${capital(formatFinding(v.finding))}${band}`
}

/** What is doubtful about a reading, in words; empty when nothing is. @param from probability from which it is said */
export function describeDoubt(
  doubt: Doubt,
  value: ReadingValue,
  dimension: Dimension | undefined,
  from: number,
): string {
  if (doubt.grossError < from) return ''
  const meant = (si: number) => formatQuantity(si, dimension ?? 'count')
  if (value.type === 'value')
    switch (doubt.unitSlip) {
      case 'thousand-too-small':
        return `Fits nothing as written. Was it ${meant(value.si * 1000)}?`
      case 'thousand-too-great':
        return `Fits nothing as written. Was it ${meant(value.si / 1000)}?`
      case 'fahrenheit':
        return `Fits nothing as written. Was it read in °F? Then it is ${meant(((value.si - 32) * 5) / 9)}.`
    }
  return 'Fits nothing else that was read. Take it again.'
}
