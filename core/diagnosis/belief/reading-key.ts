import { findMeter } from '../../simulation/instrument'
import { interventionsKey } from '../predict'
import type { ContextualReading } from './types'

/** Names what is read, how, and with what in and out: two readings with one key are one thing read twice. */
export const readingKey = (r: Pick<ContextualReading, 'procedure' | 'meter' | 'interventions'>): string =>
  `${r.procedure.key}|${r.meter ?? ''}|${interventionsKey(r.interventions)}`

/** Resolution of the instrument that a reading was taken with, SI; 0 for senses. */
export function resolutionOf({ procedure, meter }: ContextualReading): number {
  const id = meter ?? procedure.meter
  return (id === undefined ? undefined : findMeter(id)?.resolution) ?? 0
}

/** Readings in an order that does not depend on when they were taken; what could not be taken is left out. */
export function canonicalOrder(readings: readonly ContextualReading[]): ContextualReading[] {
  const key = (r: ContextualReading) => `${readingKey(r)}|${JSON.stringify(r.value)}|${r.accuracy ?? ''}`
  const sorted = [...readings].filter((r) => r.value.type !== 'could-not').sort((a, b) => (key(a) < key(b) ? -1 : 1))
  // The same sense asked twice about the same thing is one witness.
  const sensed = (r: ContextualReading) => r.value.type === 'yes' || r.value.type === 'no'
  return sorted.filter((r, i) => !sensed(r) || i === 0 || key(sorted[i - 1]) !== key(r))
}
