import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  boundedMoment,
  emptyOutbox,
  layBehind,
  mergeEvents,
  restoreOutbox,
  transition,
  type EventResult,
  type Outbox,
  type OutboxEffect,
  type OutboxInput,
} from '../../../core/sync'
import type { JobEvent } from '../../../core/job'
import { idOf, reading } from '../job/events'

const bare = (n: number): JobEvent => {
  const { seq: _, by: __, ...event } = reading(n, String(n))
  return event
}
const NUMBERS = Array.from({ length: 12 }, (_, i) => i + 1)

/** Runs inputs and keeps what a device would: its table, and what goes over the wire. */
function run(inputs: OutboxInput[], from: Outbox = emptyOutbox) {
  let outbox = from
  const table = new Map(from.entries.map((e) => [e.event.id, e]))
  const posts: JobEvent[][] = []
  const all: OutboxEffect[] = []
  for (const input of inputs) {
    const step = transition(outbox, input)
    outbox = step.outbox
    for (const effect of step.effects) {
      all.push(effect)
      if (effect.type === 'keep') table.set(effect.entry.event.id, effect.entry)
      if (effect.type === 'drop') table.delete(effect.id)
      if (effect.type === 'post') posts.push(effect.events)
    }
  }
  return { outbox, table, posts, effects: all }
}

const inputs: fc.Arbitrary<OutboxInput> = fc.oneof(
  fc.constantFrom(...NUMBERS).map((n) => ({ type: 'entered' as const, event: bare(n) })),
  fc.constant({ type: 'due' as const }),
  fc.constantFrom(0, 400, 401, 403, 404, 408, 409, 413, 422, 425, 426, 429, 500, 503).map((status) => ({
    type: 'failed' as const,
    status,
    code: 'x',
    message: 'x',
  })),
  fc
    .array(
      fc
        .constantFrom(...NUMBERS)
        .chain((n) =>
          fc.constantFrom<EventResult>(
            { id: idOf(n), status: 'accepted', seq: n },
            { id: idOf(n), status: 'duplicate', seq: n },
            { id: idOf(n), status: 'refused', code: 'closed', message: 'closed' },
          ),
        ),
    )
    .map((results) => ({ type: 'answered' as const, results })),
  fc.constantFrom(...NUMBERS).map((n) => ({ type: 'discarded' as const, id: idOf(n) })),
  fc.constantFrom(...NUMBERS).map((n) => ({ type: 'resent' as const, id: idOf(n) })),
)

describe('outbox', () => {
  it('whatever happens, nothing entered is lost: it waits, is refused, was taken, or was discarded by its person', () => {
    fc.assert(
      fc.property(fc.array(inputs, { maxLength: 40 }), (list) => {
        const entered = new Set<string>()
        const settled = new Set<string>()
        let outbox = emptyOutbox
        const table = new Set<string>()
        for (const input of list) {
          const sending = new Set(outbox.sending)
          const refused = new Set(outbox.entries.filter((e) => e.state === 'refused').map((e) => e.event.id))
          if (input.type === 'entered') entered.add(input.event.id)
          if (input.type === 'answered')
            for (const r of input.results) if (r.status !== 'refused' && sending.has(r.id)) settled.add(r.id)
          if (input.type === 'discarded' && refused.has(input.id)) settled.add(input.id)
          const step = transition(outbox, input)
          outbox = step.outbox
          for (const e of step.effects) {
            if (e.type === 'keep') table.add(e.entry.event.id)
            if (e.type === 'drop') {
              table.delete(e.id)
              // Only the server's word or the person's hand takes anything away.
              expect(settled.has(e.id)).toBe(true)
            }
            if (e.type === 'post') expect(outbox.sending).toEqual(e.events.map((x) => x.id))
          }
          expect(step.effects.filter((e) => e.type === 'post').length).toBeLessThanOrEqual(1)
          expect(new Set(outbox.entries.map((e) => e.event.id))).toEqual(table)
          for (const id of entered) expect(table.has(id) || settled.has(id)).toBe(true)
        }
      }),
      { seed: 4, numRuns: 500 },
    )
  })
  it('every failure of a whole request keeps it all waiting and tries again, later each time', () => {
    for (const status of [0, 401, 403, 404, 408, 409, 413, 425, 426, 429, 502]) {
      const failed: OutboxInput = { type: 'failed', status, code: 'x', message: 'why' }
      const { outbox, effects } = run([{ type: 'entered', event: bare(1) }, failed, { type: 'due' }, failed])
      expect(
        outbox.entries.map((e) => e.state),
        String(status),
      ).toEqual(['waiting'])
      expect(outbox.trouble?.message).toBe('why')
      const pauses = effects.flatMap((e) => (e.type === 'wake' ? [e.milliseconds] : []))
      expect(pauses).toEqual([1000, 2000])
    }
  })
  it('a batch that the wire finds too large is split until it goes, and a single one waits', () => {
    const restored = restoreOutbox(NUMBERS.map((n) => ({ event: bare(n), state: 'waiting', code: '', message: '' })))
    const large: OutboxInput = { type: 'failed', status: 413, code: 'too-large', message: '' }
    const { posts, outbox } = run([{ type: 'due' }, large, { type: 'due' }, large, { type: 'due' }], restored)
    expect(posts.map((p) => p.length)).toEqual([12, 6, 3])
    expect(outbox.entries).toHaveLength(12)
  })
  it('the oldest go first, one request at a time; a refused one stands aside with its reason until it is sent again', () => {
    const two = run([
      { type: 'entered', event: bare(1) },
      { type: 'entered', event: bare(2) },
    ])
    expect(two.posts.map((p) => p.map((e) => e.id))).toEqual([[idOf(1)]])
    const refused: EventResult = { id: idOf(1), status: 'refused', code: 'closed', message: 'This job is closed.' }
    const next = run([{ type: 'answered', results: [refused] }], two.outbox)
    expect(next.posts.map((p) => p.map((e) => e.id))).toEqual([[idOf(2)]])
    expect(next.outbox.entries[0]).toMatchObject({ state: 'refused', message: 'This job is closed.' })
    const again = run(
      [
        { type: 'answered', results: [{ id: idOf(2), status: 'accepted', seq: 2 }] },
        { type: 'resent', id: idOf(1) },
      ],
      next.outbox,
    )
    expect(again.posts.at(-1)!.map((e) => e.id)).toEqual([idOf(1)])
  })
})

describe('merge and clock', () => {
  it('events of the server stand in order without a gap, and what waits stands behind them', () => {
    const all = NUMBERS.map((n) => reading(n, String(n)))
    fc.assert(
      fc.property(fc.subarray(all), fc.subarray(all), (a, b) => {
        const { events, upTo } = mergeEvents(a, b)
        const there = new Set([...a, ...b].map((e) => e.seq))
        const gap = NUMBERS.find((n) => !there.has(n)) ?? NUMBERS.length + 1
        expect(upTo).toBe(gap - 1)
        expect(events.map((e) => e.seq)).toEqual(NUMBERS.slice(0, upTo))
      }),
      { seed: 5, numRuns: 100 },
    )
    const laid = layBehind(all.slice(0, 2), [bare(2), bare(9)], 'me')
    expect(laid.map((e) => [e.id, e.seq])).toEqual([1, 2, 9].map((n, i) => [idOf(n), i + 1]))
  })
  it('a clock a day off, either way, shows the time it was, never later than it came', () => {
    const received = new Date('2026-03-02T12:00:00.000Z')
    const day = 86_400_000
    const shown = (at: string, offset: number) => boundedMoment(at, offset, received).toISOString()
    expect(shown('2026-03-03T11:58:00.000Z', day)).toBe('2026-03-02T11:58:00.000Z')
    expect(shown('2026-03-01T11:58:00.000Z', -day)).toBe('2026-03-02T11:58:00.000Z')
    expect(shown('2026-03-02T12:00:30.000Z', 30_000)).toBe('2026-03-02T12:00:00.000Z')
    expect(shown('2026-03-01T08:00:00.000Z', 0)).toBe('2026-03-01T08:00:00.000Z')
  })
})
