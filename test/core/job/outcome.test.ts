import { describe, expect, it } from 'vitest'
import { foldJob, jobEventSchema, refuses, type Payload, type SequencedEvent } from '../../../core/job'
import { event, FACTS, idOf, opened } from './events'

const PROOF = [
  { id: 'earth', title: 'earth continuity', unless: 'no metal' },
  { id: 'cycle', title: 'a whole cycle watched', unless: 'no water' },
  { id: 'covers', title: 'covers on' },
]
const facts = {
  ...FACTS,
  repairs: [...FACTS.repairs.map((r) => ({ ...r, proof: PROOF })), { id: 'other', title: 'other', proof: [] }],
  targets: { ...FACTS.targets, start: ['normal'], repair: [...FACTS.repairs.map((r) => r.id), 'other'] },
}
const repair = FACTS.repairs[0]!.id
const decided = event(2, { type: 'decided', repair, as: 'for-good' })
const start = event(3, { type: 'action', action: { verb: 'start', target: 'normal' } })
const run = event(4, { type: 'run', program: 'normal', began: opened.at })
const over = event(5, { type: 'run-over', run: run.id, seconds: 90 })
const proven = (n: number, item: string, as: 'passed' | 'failed' | 'not-needed' = 'passed', text?: string) =>
  event(n, {
    type: 'proven',
    item,
    as,
    ...(text === undefined ? {} : { text }),
    ...(item === 'cycle' ? { run: run.id } : {}),
  })
const all = [opened, decided, start, run, over, proven(6, 'earth'), proven(7, 'cycle'), proven(8, 'covers')]
const close: Payload = { type: 'closed', repair, text: '' }
const ask = (events: readonly SequencedEvent[], payload: Payload) =>
  refuses(foldJob(events), event(60, payload), facts, 'technician')

describe('a repair that is proved', () => {
  it('closes once everything holds, and names what is missing before', () => {
    expect(ask(all, close)).toBeUndefined()
    expect(ask(all.slice(0, -1), close)).toEqual({ code: 'unproven', names: ['covers on'] })
    expect(ask([opened, decided], close)?.names).toHaveLength(3)
    // Nor does leaving the repair out of the closing, or calling it healed by itself, go round that.
    expect(ask([opened, decided], { ...close, repair: '' })?.code).toBe('unproven')
    expect(ask([opened, decided], { ...close, repair: '', as: 'works-now' })?.code).toBe('unproven')
    // What was proved of one repair is not said of another, nor without a decision.
    expect(ask(all, { ...close, repair: 'other' })).toBeUndefined()
    expect(ask([opened], close)?.code).toBe('not-decided')
    const failed = [...all, proven(9, 'covers', 'failed')]
    expect(ask(failed, close)?.names).toEqual(['covers on'])
    // The last word counts, and one taken back is none.
    expect(ask([...failed, event(10, { type: 'retracted', event: idOf(9) })], close)).toBeUndefined()
  })

  it('hands that go in again, another decision and a reopening take back what was proved', () => {
    const again: Payload[] = [
      { type: 'reading', test: 'cold-valve.ohms', text: '812', hands: true },
      { type: 'action', action: { verb: 'unplug', target: 'lid' } },
      { type: 'decided', repair: 'other', as: 'for-good' },
      { type: 'disconnected', label: idOf(40), name: 'cold valve' },
    ]
    for (const payload of again) expect(foldJob([...all, event(9, payload)]).proofs, payload.type).toBeUndefined()
    const closed = event(9, close)
    const open = foldJob([...all, closed, event(10, { type: 'reopened' })])
    expect(open.proofs).toBeUndefined()
    expect(open.decided).toBeUndefined()
    // Deciding on the same once more takes nothing back; nor does looking on.
    expect(ask([...all, event(9, decided.payload)], close)).toBeUndefined()
    const later: Payload = { ...decided.payload, as: 'interim', until: '2026-12-24' } as Payload
    expect(ask([...all, event(9, later)], close)?.names).toEqual(['a day on which somebody looks at it again'])
    expect(ask([...all, event(9, later), event(10, decided.payload)], close)).toBeUndefined()
    expect(foldJob([...all, event(9, { type: 'note', text: 'x' })]).proofs).toBeDefined()
  })

  it('a cycle is proved by a run that came to its end after the decision, what may be left out only with its reason', () => {
    const proof: Payload = { type: 'proven', item: 'cycle', as: 'passed', run: run.id }
    expect(ask([opened, decided, start, run, over], proof)).toBeUndefined()
    expect(ask([opened, decided, start, run], proof)?.code).toBe('no-cycle')
    expect(ask([opened, decided], { ...proof, run: idOf(77) })?.code).toBe('no-cycle')
    const before = [
      opened,
      event(2, start.payload),
      event(3, run.payload),
      event(4, { ...over.payload, run: idOf(3) } as Payload),
    ]
    expect(ask([...before, event(5, decided.payload)], { ...proof, run: idOf(3) })?.code).toBe('no-cycle')
    expect(ask([opened], proof)?.code).toBe('not-decided')
    // An earth is measured with hands in the machine: made safe first.
    const earth: Payload = { type: 'proven', item: 'earth', as: 'passed', text: '0.1 Ω' }
    expect(ask([opened, decided], earth)?.code).toBe('make-safe-first')
    expect(ask([opened, decided, event(3, { type: 'safety', step: 'isolate' })], earth)).toBeUndefined()
    expect(ask([opened, decided], { type: 'proven', item: 'earth', as: 'not-needed' })?.code).toBe('unknown-name')
    expect(ask([opened, decided], { type: 'proven', item: 'earth', as: 'not-needed', text: 'plastic' })).toBeUndefined()
    expect(ask([opened, decided], { type: 'proven', item: 'covers', as: 'not-needed', text: 'x' })?.code).toBe(
      'unknown-name',
    )
    expect(ask([opened, decided], { type: 'proven', item: 'moon', as: 'passed' })?.code).toBe('unknown-name')
  })

  it('that it still fails is evidence, and asks for another decision', () => {
    const job = foldJob([...all, event(9, { type: 'action', action: { verb: 'repair', target: repair } })])
    expect(job.decided).toBeUndefined()
    expect(job.proofs).toBeUndefined()
    expect(job.log.at(-1)).toMatchObject({ type: 'action', action: { verb: 'repair', target: repair } })
  })

  it('what was repaired for now, or comes and goes, is closed with a day on which somebody looks again', () => {
    const rest = all.slice(2)
    for (const payload of [
      { ...decided.payload, as: 'interim', until: '2026-12-24' },
      { ...decided.payload, returns: true },
    ] as Payload[]) {
      const events = [opened, event(2, payload), ...rest]
      expect(ask(events, close)?.code).toBe('unproven')
      expect(ask([...events, event(9, { type: 'follow-up', on: '2026-12-24', why: 'rust' })], close)).toBeUndefined()
    }
  })
})

describe('a machine that cannot be left in use', () => {
  const isolated = event(2, { type: 'safety', step: 'isolate', does: 'isolates' })
  const left: Payload = { type: 'left-unsafe', warning: 'Do not use.', photo: 'ab'.repeat(32) }
  const end: Payload = { type: 'closed', repair: '', text: '', as: 'out-of-service' }
  const withNeeds = {
    ...facts,
    needs: facts.needs.map((n) => (n.id === 'isolate' ? { ...n, does: 'isolates' as const } : n)),
  }
  const judge = (events: SequencedEvent[], payload: Payload) =>
    refuses(foldJob(events), event(60, payload), withNeeds, 'technician')?.code

  it('is left off, warned of and signed for or refused; then the job may end whatever else is open', () => {
    expect(judge([opened], left)).toBe('make-safe-first')
    expect(judge([opened, isolated], left)).toBeUndefined()
    const warned = [opened, isolated, event(3, left)]
    expect(judge(warned, end)).toBe('unsafe-unfinished')
    const refused = event(4, { type: 'not-signed', for: 'warning', name: 'Wenna D.', text: 'needs it tonight' })
    expect(judge([...warned, refused], end)).toBeUndefined()
    const off = event(5, { type: 'disconnected', label: idOf(40), name: 'cold valve' })
    expect(judge([...warned, refused, off], end)).toBeUndefined()
    // Never with a bypass in, and not once somebody has had it running again.
    const bridged = event(5, { type: 'action', action: { verb: 'jumper', target: 'lid' } })
    expect(judge([...warned, refused, bridged], end)).toBe('bypass-in')
    const ran = event(5, { type: 'action', action: { verb: 'start', target: 'normal' } })
    expect(judge([...warned, refused, ran], end)).toBe('unsafe-unfinished')
  })

  it('a signature has a stroke, and a day is a day', () => {
    const parses = (payload: object) => jobEventSchema.safeParse({ ...bare, payload }).success
    const { seq: _, by: __, ...bare } = opened
    const signed = { type: 'signed', for: 'work', name: 'Wenna D.', strokes: [[10, 10, 40, 60]] }
    expect(parses(signed)).toBe(true)
    for (const strokes of [[], [[]], [[10, 10]], [[10, 10, 40]], [[10, 10, 40, 1001]], [[1.5, 1, 2, 2]]])
      expect(parses({ ...signed, strokes }), JSON.stringify(strokes)).toBe(false)
    expect(parses({ type: 'follow-up', on: '2026-02-29', why: 'x' })).toBe(false)
    expect(parses({ type: 'follow-up', on: '2028-02-29', why: 'x' })).toBe(true)
    expect(parses({ type: 'used', title: 'x', count: -1, from: 'van' })).toBe(false)
    expect(parses({ type: 'quoted', currency: 'euro', lines: [{ text: 'x', minor: 1 }], text: '' })).toBe(false)
  })
})
