import type { Payload, SequencedEvent, SheetFacts } from '../../../core/job'

export const UNIT = '01900000-0000-7000-8000-000000000101'
export const idOf = (n: number) => `01900000-0000-7000-9000-${String(n).padStart(12, '0')}`

/** The n-th event of a job. */
export const event = (n: number, payload: Payload, more: Partial<SequencedEvent> = {}): SequencedEvent => ({
  id: idOf(n),
  version: 2,
  at: '2026-03-01T10:00:00.000Z',
  device: 'van',
  ordinal: n,
  baseSeq: n - 1,
  payload,
  seq: n,
  by: 'Mara E.',
  ...more,
})
export const opened = event(1, { type: 'opened', unit: UNIT, complaints: ['no-fill'], words: 'no water' })
export const reading = (n: number, text: string, more: Partial<SequencedEvent> = {}) =>
  event(n, { type: 'reading', test: 'cold-valve.ohms', text }, more)
export const retracted = (n: number, of: number) => event(n, { type: 'retracted', event: idOf(of) })

/** Facts of a small machine with one test of each school. */
export const FACTS: SheetFacts = {
  title: 'Small washer',
  words: [],
  codes: [],
  complaints: [{ id: 'no-fill', says: 'No water comes in' }],
  needs: [
    { id: 'isolate', title: 'Isolate', before: 'dead' },
    { id: 'ready', title: 'Ready', before: 'live' },
  ],
  repairs: [{ id: 'valve', title: 'New valve' }],
  tests: {
    'cold-valve.ohms': { school: 'dead', shape: { takes: 'number', dimension: 'resistance' }, meters: ['ohms'] },
    'cold-valve.volts': { school: 'live', shape: { takes: 'number', dimension: 'voltage' }, meters: ['volts', 'neon'] },
    'cold-stop.look': { school: 'look', shape: { takes: 'yes-no' }, meters: [] },
  },
  meters: {
    ohms: { dimension: 'resistance', says: false },
    volts: { dimension: 'voltage', says: false },
    neon: { dimension: 'voltage', says: true },
  },
  targets: { jumper: ['lid'], unjumper: ['lid'], open: ['top'], repair: ['valve'] },
  points: ['lid.1', 'lid.2', 'mains.N'],
  moments: ['start', 'fill', 'off'],
}
