import type { Procedure } from '../diagnosis/catalogue'
import type { Machine } from '../model/machine'
import { capital } from './capital'
import { signalOf, titleOf } from './measurements/pieces'

/**
 * A reading that is off, as a customer is told it: what was looked for and what was there instead, or the figure with what a good
 * machine shows.
 */
export function describeFound(
  machine: Machine,
  { measurement: m }: Procedure,
  { title, text, verdict }: { title: string; text: string; verdict: string },
): string {
  const isSense = m.type === 'sense' && !m.held && m.leadsOf === undefined
  if (!isSense || (text !== 'yes' && text !== 'no')) return `${title}: ${text}. ${verdict}.`
  const other = text === 'yes' ? 'no' : 'yes'
  return `${capital(titleOf(machine, m.part))}, whether ${signalOf(machine, m.part, m.signal)}: ${text}; on a good one: ${other}.`
}
