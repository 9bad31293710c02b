import type { Payload, SequencedEvent, SheetFacts } from '../../../core/job'

export const UNIT = '01900000-0000-7000-8000-000000000101'
export const idOf = (n: number) => `01900000-0000-7000-9000-${String(n).padStart(12, '0')}`

/** The n-th event of a job. */
export const event = (n: number, payload: Payload, more: Partial<SequencedEvent> = {}): SequencedEvent => ({
  id: idOf(n),
  version: 3,
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

/** Facts of a small machine with one test of each work mode. */
export const FACTS: SheetFacts = {
  title: 'Small washer',
  words: [],
  codes: [],
  complaints: [{ id: 'no-fill', words: 'No water comes in' }],
  needs: [
    { id: 'isolate', title: 'Isolate', before: 'isolated', does: 'isolates' },
    { id: 'ready', title: 'Ready', before: 'energised', does: 'readies' },
  ],
  repairs: [{ id: 'valve', title: 'New valve' }],
  tests: {
    'cold-valve.ohms': {
      workMode: 'isolated',
      shape: { type: 'number', dimension: 'resistance' },
      meters: ['ohms'],
      acts: ['open', 'terminals'],
      powered: false,
    },
    'cold-valve.volts': {
      workMode: 'energised',
      shape: { type: 'number', dimension: 'voltage' },
      meters: ['volts', 'neon'],
      acts: ['terminals', 'power', 'live'],
      powered: true,
    },
    'cold-stop.look': { workMode: 'observe', shape: { type: 'yes-no' }, meters: [], acts: [], powered: false },
    'tub.look': { workMode: 'observe', shape: { type: 'yes-no' }, meters: [], acts: ['open', 'power'], powered: true },
  },
  meters: {
    ohms: { dimension: 'resistance', yesNo: false },
    volts: { dimension: 'voltage', yesNo: false },
    neon: { dimension: 'voltage', yesNo: true },
  },
  targets: { jumper: ['lid'], unjumper: ['lid'], lift: ['lid'], land: ['lid'], open: ['top'], repair: ['valve'] },
  points: ['lid.1', 'lid.2', 'mains.N'],
  moments: ['start', 'fill', 'off'],
}
