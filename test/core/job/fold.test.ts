import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  apply,
  DEAD_ACTS,
  emptyStanding,
  foldJob,
  missingSteps,
  stamped,
  upcast,
  type Payload,
  type SequencedEvent,
} from '../../../core/job'
import { standingOf } from '../../repaired'
import { event, idOf, opened, reading, retracted } from './events'

/** Jobs of any shape: what follows the opening is drawn; retractions name any event, also later and missing ones. */
const payloads: fc.Arbitrary<Payload> = fc.oneof(
  fc.record({
    type: fc.constant('reading' as const),
    test: fc.constantFrom('a', 'b'),
    text: fc.constantFrom('1', '2'),
  }),
  fc.record({ type: fc.constant('safety' as const), step: fc.constantFrom('isolate', 'ready') }),
  fc.record({ type: fc.constant('note' as const), text: fc.constant('n') }),
  fc.record({ type: fc.constant('retracted' as const), event: fc.integer({ min: 1, max: 22 }).map(idOf) }),
  fc.record({
    type: fc.constant('action' as const),
    action: fc.record({
      verb: fc.constantFrom('jumper' as const, 'unjumper' as const, 'repair' as const),
      target: fc.constant('lid'),
    }),
  }),
  fc.record({ type: fc.constant('label' as const), name: fc.constantFrom('cold plug', 'hot plug') }),
  fc.record({
    type: fc.constantFrom('disconnected' as const, 'reconnected' as const),
    label: fc.integer({ min: 2, max: 5 }).map(idOf),
    name: fc.constant('a plug'),
  }) as fc.Arbitrary<Payload>,
)
const jobs = fc.array(payloads, { maxLength: 20 }).map((list) => [opened, ...list.map((p, i) => event(i + 2, p))])

/** Steps that are confirmed: a retraction takes one with all that were confirmed after it, and nothing brings them back. */
function confirmedPlainly(events: SequencedEvent[]): string[] {
  let held: { id: string; seq: number; step: string }[] = []
  for (const { id, seq, payload } of events) {
    if (payload.type === 'safety') held.push({ id, seq, step: payload.step })
    const taken = payload.type === 'retracted' && held.find((h) => h.id === payload.event)
    if (taken) held = held.filter((h) => h.seq < taken.seq)
  }
  return held.map((h) => h.step).sort()
}

/** A plug is off when the last that was said of it is that it came off. */
const offPlainly = (events: SequencedEvent[]): string[] =>
  [2, 3, 4, 5].map(idOf).filter((label) => {
    const said = events.filter((e) => 'label' in e.payload && e.payload.label === label)
    return said.at(-1)?.payload.type === 'disconnected'
  })

/** What the words of the fold mean, said plainly: an entry stands unless a standing retraction names it. */
function plainly(events: SequencedEvent[]) {
  const gone = new Set<string>()
  for (const e of events.toReversed()) {
    if (e.payload.type !== 'retracted' || gone.has(e.id)) continue
    const target = events.find((x) => e.payload.type === 'retracted' && x.id === e.payload.event)
    const lasting =
      ['opened', 'disconnected', 'reconnected'].includes(target?.payload.type ?? '') ||
      (target?.payload.type === 'action' && target.payload.action.verb !== 'repair')
    if (target && target.seq < e.seq && !lasting) gone.add(target.id)
  }
  const stands = events.filter((e) => !gone.has(e.id))
  return {
    readings: stands.filter((e) => e.payload.type === 'reading').map((e) => e.id),
    safety: confirmedPlainly(events),
    labels: stands.filter((e) => e.payload.type === 'label').map((e) => e.id),
    off: offPlainly(events),
  }
}

describe('fold', () => {
  it('an event given twice and any order of arrival make the same job', () => {
    fc.assert(
      fc.property(jobs, fc.infiniteStream(fc.nat()), (all, dice) => {
        const mixed = [...all, ...all].sort(() => (Number(dice.next().value) % 2 ? 1 : -1))
        expect(foldJob(mixed)).toEqual(foldJob(all))
      }),
      { seed: 1, numRuns: 200 },
    )
  })
  it('what stands is what no standing retraction names, whatever retracts what, as long as it came before', () => {
    const earlier = jobs.filter((all) =>
      all.every(
        (e) =>
          e.payload.type !== 'retracted' ||
          all.some((x) => e.payload.type === 'retracted' && x.id === e.payload.event && x.seq < e.seq),
      ),
    )
    fc.assert(
      fc.property(earlier, (all) => {
        const job = foldJob(all)
        const plain = plainly(all)
        expect(job.log.filter((l) => l.type === 'reading').map((l) => l.event)).toEqual(plain.readings)
        expect(job.readings).toBe(plain.readings.length)
        expect(
          Object.entries(job.safety)
            .flatMap(([step, ids]) => ids.map(() => step))
            .sort(),
        ).toEqual(plain.safety)
        expect(job.labels.map((l) => l.event)).toEqual(plain.labels)
        expect((job.disconnected ?? []).map((d) => d.label).sort()).toEqual(plain.off)
      }),
      { seed: 2, numRuns: 400 },
    )
  })
  it('the kept state is the fold so far: one event more is one step more, and nothing given is changed', () => {
    fc.assert(
      fc.property(jobs, (all) => {
        const byId = new Map(all.map((e) => [e.id, e]))
        let s = emptyStanding
        for (const e of all) {
          const before = structuredClone(s)
          const next = apply(s, e, (id) => byId.get(id))
          expect(s).toEqual(before)
          // As it comes back from the table.
          s = JSON.parse(JSON.stringify(next)) as typeof s
        }
        expect(s).toEqual(JSON.parse(JSON.stringify(standingOf(foldJob(all)))))
      }),
      { seed: 3, numRuns: 200 },
    )
  })
  it('who reopens a job makes the machine safe anew, and undoing gives no permission back', () => {
    const safe = event(2, { type: 'safety', step: 'isolate' })
    const closed = event(3, { type: 'closed', repair: '', text: 'done' })
    const again = event(4, { type: 'reopened' })
    expect(foldJob([opened, safe, closed]).safety).toEqual({ isolate: [safe.id] })
    const open = foldJob([opened, safe, closed, again])
    expect(open.closed).toBeUndefined()
    expect(Object.values(open.safety).flat()).toEqual([])
    const undone = [retracted(5, 2), retracted(6, 5)]
    expect(Object.values(foldJob([opened, safe, closed, again, ...undone]).safety).flat()).toEqual([])
    const anew = event(7, { type: 'safety', step: 'isolate' })
    expect(foldJob([opened, safe, closed, again, anew]).safety).toEqual({ isolate: [anew.id] })
  })
  it('power on the machine takes back that it was proved dead, a long pause takes back all, and undoing gives nothing back', () => {
    const dead = event(2, { type: 'safety', step: 'isolate', again: true })
    const ready = event(3, { type: 'safety', step: 'ready' })
    const live = event(4, { type: 'reading', test: 'cold-valve.volts', text: '118', live: true })
    const safe = { isolate: [dead.id], ready: [ready.id] }
    const standing = (...events: SequencedEvent[]) =>
      Object.fromEntries(Object.entries(foldJob([opened, dead, ready, ...events]).safety).filter(([, x]) => x.length))
    expect(standing()).toEqual(safe)
    expect(standing(event(4, { type: 'reading', test: 'cold-valve.ohms', text: '812' }))).toEqual(safe)
    for (const powered of [live, event(4, { type: 'action', action: { verb: 'restore' } })]) {
      expect(standing(powered)).toEqual({ ready: [ready.id] })
      // Neither undoing the reading nor undoing and redoing the step brings it back.
      expect(standing(powered, retracted(5, 4))).toEqual({ ready: [ready.id] })
      expect(standing(powered, retracted(5, 2), retracted(6, 5))).toEqual({})
      const anew = event(5, { type: 'safety', step: 'isolate', again: true })
      expect(standing(powered, anew)).toEqual({ isolate: [anew.id], ready: [ready.id] })
    }
    const later = (hours: number): SequencedEvent => ({
      ...event(4, { type: 'note', text: 'back' }),
      at: new Date(Date.parse(ready.at) + hours * 3600e3).toISOString(),
    })
    expect(standing(later(7))).toEqual(safe)
    expect(standing(later(9))).toEqual({})
    expect(
      standing(later(9), { ...retracted(5, 3), at: later(9).at }, { ...retracted(6, 5), at: later(9).at }),
    ).toEqual({})
    // A clock that runs behind takes nothing back.
    expect(standing(later(-30))).toEqual(safe)
    const job = foldJob([opened, dead, ready])
    const isolate = { id: 'isolate', title: '', before: 'isolated' as const, again: true }
    const asked = (at: string) => missingSteps(DEAD_ACTS, [isolate], job, at).length
    expect([asked(later(7).at), asked(later(9).at)]).toEqual([0, 1])
  })
  it('what a sheet says of an entry stands on it, whatever was sent', () => {
    const facts: Parameters<typeof stamped>[1] = {
      needs: [{ id: 'isolate', title: '', before: 'isolated', again: true }],
      tests: {
        volts: {
          workMode: 'energised',
          shape: { type: 'number', dimension: 'voltage' },
          meters: ['volts'],
          acts: ['terminals', 'live'],
          powered: true,
        },
        ohms: {
          workMode: 'isolated',
          shape: { type: 'number', dimension: 'resistance' },
          meters: ['ohms'],
          acts: ['terminals'],
          powered: false,
        },
      },
      meters: { volts: { dimension: 'voltage', yesNo: false }, ohms: { dimension: 'resistance', yesNo: false } },
      points: [],
      moments: [],
    }
    const payload = (p: SequencedEvent['payload']) => stamped({ payload: p }, facts).payload
    const read = { type: 'reading', text: '1' } as const
    expect(payload({ ...read, test: 'volts' })).toEqual({ ...read, test: 'volts', live: true, hands: true })
    expect(payload({ ...read, test: 'ohms', live: true })).toEqual({ ...read, test: 'ohms', hands: true })
    expect(payload({ type: 'safety', step: 'isolate' })).toEqual({ type: 'safety', step: 'isolate', again: true })
    expect(payload({ type: 'safety', step: 'hat', again: true })).toEqual({ type: 'safety', step: 'hat' })
  })
  it('neither the opening nor what hands did can be taken back; a repair in vain and a retraction can', () => {
    const jumper = event(2, { type: 'action', action: { verb: 'jumper', target: 'lid' } })
    const job = foldJob([opened, jumper, retracted(3, 1), retracted(4, 2)])
    expect(job.complaints).toEqual(['no-fill'])
    expect(job.bypasses).toEqual(['lid'])
    const repair = event(2, { type: 'action', action: { verb: 'repair', target: 'valve' } })
    expect(foldJob([opened, repair, retracted(3, 2)]).log).toHaveLength(0)
    expect(foldJob([opened, reading(2, '800'), retracted(3, 2), retracted(4, 3)]).log).toHaveLength(1)
  })
  it('what was entered before a closing that came first is marked late; work of another device in between is named', () => {
    const close = event(2, { type: 'closed', repair: '', text: '' })
    const job = foldJob([opened, close, reading(3, '800', { baseSeq: 1 })])
    expect(job.closed).toBeDefined()
    expect(job.log[0]).toMatchObject({ late: true })
    const act = event(
      2,
      { type: 'action', action: { verb: 'open', target: 'top' } },
      { device: 'bench', by: 'Joss E.' },
    )
    const both = foldJob([opened, act, reading(3, '800', { baseSeq: 1 }), reading(4, '801', { baseSeq: 2 })])
    expect(both.log.map((l) => l.overlaps)).toEqual([[], ['Joss E.'], []])
  })
  it('events of the first version read as those of today', () => {
    const row = {
      id: idOf(1),
      version: 1,
      at: '2026-03-01T10:00:00.000Z',
      device: 'd',
      ordinal: null,
      baseSeq: null,
      seq: 4,
    }
    const old = (payload: object) => upcast({ ...row, payload }).payload
    expect(old({ is: 'opened', machine: 'm', complaints: ['c'], words: 'w' })).toEqual({
      type: 'opened',
      unit: 'm',
      complaints: ['c'],
      words: 'w',
    })
    expect(old({ is: 'order', order: 'dead-first' })).toEqual({ type: 'test-strategy', strategy: 'dead-first' })
    expect(old({ is: 'bands', bands: 'sibling' })).toEqual({ type: 'acceptance', acceptance: 'sibling' })
    expect(old({ is: 'reading', test: 't', text: '1' })).toEqual({ type: 'reading', test: 't', text: '1' })
    expect(upcast({ ...row, payload: { is: 'reopened' } })).toMatchObject({ version: 3, ordinal: 0, baseSeq: 3 })
    expect(() => upcast({ ...row, version: 4, payload: {} })).toThrow('newer')
  })
  it('events of the second version have their value read in today’s form', () => {
    const reading = { type: 'reading', test: 't', text: '2k7', value: { is: 'value', si: 2700 } }
    const row = { id: 'e', version: 2, at: '2026-03-01T10:00:00.000Z', device: 'd', ordinal: 7, baseSeq: 1, seq: 4 }
    expect(upcast({ ...row, payload: reading }).payload).toEqual({ ...reading, value: { type: 'value', si: 2700 } })
    const { value: _, ...unread } = reading
    expect(upcast({ ...row, payload: unread }).payload).toEqual(unread)
  })
})
