import type { JobEvent, SequencedEvent } from '../job'

/**
 * Known events with new ones laid in: each sequence once, in order, as far as they follow without a gap.
 *
 * @returns the events, and the last sequence up to which nothing is missing
 */
export function mergeEvents(
  known: readonly SequencedEvent[],
  more: readonly SequencedEvent[],
): { events: SequencedEvent[]; upTo: number } {
  const bySeq = new Map([...known, ...more].map((e) => [e.seq, e]))
  const events: SequencedEvent[] = []
  for (let seq = 1; bySeq.has(seq); seq++) events.push(bySeq.get(seq)!)
  return { events, upTo: events.length }
}

/** What waits on the device, laid behind what the server has, in the order entered. */
export const layBehind = (
  known: readonly SequencedEvent[],
  waiting: readonly JobEvent[],
  by: string,
): SequencedEvent[] => {
  const there = new Set(known.map((e) => e.id))
  const last = known.at(-1)?.seq ?? 0
  return [...known, ...waiting.filter((e) => !there.has(e.id)).map((e, i) => ({ ...e, seq: last + 1 + i, by }))]
}
