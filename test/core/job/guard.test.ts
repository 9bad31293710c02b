import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  foldJob,
  jobEventSchema,
  LIVE_ACTS,
  missingSteps,
  refuses,
  soundText,
  type Payload,
  type Role,
} from '../../../core/job'
import { event, FACTS, idOf, opened, reading } from './events'

const safe = ['isolate', 'ready'].map((step, i) => event(i + 2, { type: 'safety', step }))
const judge = (events: Parameters<typeof foldJob>[0], payload: Payload, role: Role = 'technician', baseSeq = 99) =>
  refuses(
    foldJob(events),
    event(50, payload, { baseSeq }),
    FACTS,
    role,
    events.find((e) => payload.type === 'retracted' && e.id === payload.event),
  )?.code
const live: Payload = { type: 'reading', test: 'cold-valve.volts', text: '118' }
const dead: Payload = { type: 'reading', test: 'cold-valve.ohms', text: '812' }
const close: Payload = { type: 'closed', repair: 'valve', text: '' }
const jumper = event(4, { type: 'action', action: { verb: 'jumper', target: 'lid' } })

describe('guard', () => {
  it('what a machine has or has not is told by names of its sheet, and told anew as a whole', () => {
    const told = (id: string): Payload => ({
      type: 'said',
      complaints: ['no-fill'],
      words: '',
      options: [{ id, fitted: false }],
    })
    const facts = { ...FACTS, options: ['rain'] }
    const judged = (payload: Payload, own: typeof FACTS = facts) =>
      refuses(foldJob([opened]), event(50, payload), own, 'technician', undefined)?.code
    expect(judged(told('rain'))).toBeUndefined()
    expect(judged(told('hail'))).toBe('unknown-name')
    // Facts of before it was asked know of none.
    expect(judged(told('rain'), FACTS)).toBe('unknown-name')
    const dry = event(2, told('rain'))
    expect(foldJob([opened, dry]).options).toEqual([{ id: 'rain', fitted: false }])
    const again = event(3, { type: 'said', complaints: ['no-fill'], words: '' })
    expect(foldJob([opened, dry, again]).options).toBeUndefined()
  })
  it('no act of the hands before the steps that it needs', () => {
    expect(missingSteps(LIVE_ACTS, FACTS.needs, foldJob([opened]), opened.at).map((n) => n.id)).toEqual([
      'isolate',
      'ready',
    ])
    expect(judge([opened], live)).toBe('make-safe-first')
    expect(judge([opened, safe[0]], live)).toBe('make-safe-first')
    expect(judge([opened, safe[0]], dead)).toBeUndefined()
    expect(judge([opened, ...safe], live)).toBeUndefined()
    expect(judge([opened, safe[0]], jumper.payload)).toBe('make-safe-first')
    const taken = event(5, { type: 'retracted', event: safe[0].id })
    expect(judge([opened, ...safe, taken], live)).toBe('make-safe-first')
    expect(judge([opened], { type: 'reading', test: 'cold-stop.look', text: 'yes' })).toBeUndefined()
  })
  it('a job with a bypass in cannot be closed, and a closed one takes only what was entered before', () => {
    expect(judge([opened, ...safe, jumper], close)).toBe('bypass-in')
    const out = event(5, { type: 'action', action: { verb: 'unjumper', target: 'lid' } })
    expect(judge([opened, ...safe, jumper, out], close)).toBeUndefined()
    // A lead that is off is another thing than a jumper across the same part: each is put right by itself.
    const lifted = event(6, { type: 'action', action: { verb: 'lift', target: 'lid' } })
    const landed = event(7, { type: 'action', action: { verb: 'land', target: 'lid' } })
    expect(judge([opened, safe[0]], lifted.payload)).toBe('make-safe-first')
    expect(judge([opened, ...safe, jumper, out, lifted], close)).toBe('bypass-in')
    expect(judge([opened, ...safe, jumper, lifted, landed], close)).toBe('bypass-in')
    expect(judge([opened, ...safe, jumper, out, lifted, landed], close)).toBeUndefined()
    const done = [opened, ...safe, event(4, close)]
    expect(judge(done, dead, 'technician', 4)).toBe('closed')
    expect(judge(done, dead, 'technician', 3)).toBeUndefined()
    expect(judge(done, close, 'technician', 3)).toBe('closed')
    expect(judge(done, { type: 'note', text: 'x' })).toBeUndefined()
    expect(judge(done, { type: 'reopened' })).toBeUndefined()
    const again = event(5, { type: 'reopened' })
    for (const { id } of [done.at(-1)!, again])
      expect(judge([...done, again], { type: 'retracted', event: id })).toBe('not-retractable')
  })
  it('a target is a name of the sheet and nothing behind it; hands go into nothing before the steps', () => {
    const act = (verb: 'jumper' | 'lift' | 'open' | 'unplug' | 'isolate', target?: string): Payload => ({
      type: 'action',
      action: { verb, ...(target === undefined ? {} : { target }) },
    })
    expect(judge([opened, ...safe], act('jumper', 'lid'))).toBeUndefined()
    for (const tail of ['lid and more', ' lid', 'lid ', 'lid\tlid', 'lid.lead'])
      for (const verb of ['jumper', 'lift'] as const)
        expect(judge([opened, ...safe], act(verb, tail)), tail).toBe('unknown-name')
    expect(judge([opened, ...safe], act('isolate'))).toBeUndefined()
    expect(judge([opened, ...safe], act('isolate', 'lid'))).toBe('unknown-name')
    const facts = { ...FACTS, targets: { ...FACTS.targets, unplug: ['cold-plug'] } }
    for (const payload of [act('open', 'top'), act('unplug', 'cold-plug')]) {
      const asked = (events: Parameters<typeof foldJob>[0]) =>
        refuses(foldJob(events), event(50, payload), facts, 'technician')?.code
      expect(asked([opened])).toBe('make-safe-first')
      expect(asked([opened, safe[0]!])).toBeUndefined()
    }
  })
  it('whatever comes in whatever order, a closed job leaves nothing in the machine, and what is in can be taken out', () => {
    const label = event(90, { type: 'label', name: 'white', terminal: 'T1' })
    const payload = fc.constantFrom<Payload>(
      ...(['isolate', 'ready'] as const).map((step) => ({ type: 'safety' as const, step })),
      ...(['jumper', 'unjumper', 'lift', 'land'] as const).flatMap((verb) =>
        ['lid', 'lid and more'].map((target) => ({ type: 'action' as const, action: { verb, target } })),
      ),
      { type: 'clipped', test: 'cold-valve.volts' },
      { type: 'unclipped', test: 'cold-valve.volts' },
      { type: 'disconnected', label: label.id, name: 'white' },
      { type: 'reconnected', label: label.id },
      close,
      close,
      { type: 'closed', repair: '', text: '', as: 'works-now' },
      { type: 'closed', repair: '', text: '', as: 'cancelled' },
      { type: 'reopened' },
      live,
    )
    const sent = fc.record({ payload, ago: fc.integer({ min: 0, max: 8 }), hour: fc.integer({ min: 0, max: 40 }) })
    const takes = fc.option(fc.integer({ min: 1, max: 30 }), { nil: undefined })
    fc.assert(
      fc.property(fc.array(fc.tuple(sent, takes), { maxLength: 30 }), (all) => {
        const kept = [opened, { ...label, seq: 2 }]
        for (const [{ payload, ago, hour }, takesBack] of all) {
          const seq = kept.length + 1
          const at = new Date(Date.parse(opened.at) + hour * 3600e3).toISOString()
          const target = takesBack === undefined ? undefined : kept[takesBack - 1]
          const what: Payload = target ? { type: 'retracted', event: target.id } : payload
          const next = { ...event(seq + 100, what, { baseSeq: Math.max(0, seq - 1 - ago), at }), seq }
          const before = foldJob(kept)
          if (refuses(before, next, FACTS, 'technician', target, next.by)) continue
          if (what.type === 'reading') expect(before.safety.ready?.length ?? 0).toBeGreaterThan(0)
          kept.push(next)
          const job = foldJob(kept)
          for (const part of job.bypasses) expect(['lid', 'lid.lead']).toContain(part)
          if (!job.closed) continue
          expect([job.bypasses, job.clips ?? []]).toEqual([[], []])
          if (job.closed.as !== 'cancelled') expect(job.disconnected ?? []).toEqual([])
        }
      }),
      { numRuns: 600 },
    )
  })
  it('roles: a trainee does no live work, who only looks writes nothing', () => {
    expect(judge([opened, ...safe], live, 'trainee')).toBe('no-live-work')
    expect(judge([opened, ...safe], dead, 'trainee')).toBeUndefined()
    // Nor do they confirm that they are ready for it.
    expect(judge([opened], { type: 'safety', step: 'ready' }, 'trainee')).toBe('no-live-work')
    expect(judge([opened], { type: 'safety', step: 'isolate' }, 'trainee')).toBeUndefined()
    expect(judge([opened], { type: 'note', text: 'x' }, 'read-only')).toBe('read-only')
  })
  it('names and readings are those of the sheet, also of free probes and other meters', () => {
    const probe = (test: string, instrument: string | undefined, text: string) =>
      judge([opened, ...safe], { type: 'reading', test, text, ...(instrument ? { instrument } : {}) })
    expect(probe('lid.2 to mains.N at fill', undefined, '118')).toBeUndefined()
    expect(probe('lid.2 to mains.N at fill', 'neon', 'yes')).toBeUndefined()
    expect(probe('lid.2 to mains.N at fill', 'neon', '118')).toBe('bad-reading')
    expect(probe('lid.2 to mains.N at fill', 'ohms', '1')).toBe('unknown-name')
    expect(probe('lid.2 to mains.N at off', 'ohms', '1')).toBeUndefined()
    expect(probe('lid.9 to mains.N', undefined, '1')).toBe('unknown-name')
    expect(probe('cold-valve.volts', 'neon', 'yes')).toBeUndefined()
    expect(probe('cold-valve.volts', 'ohms', '1')).toBe('unknown-name')
    expect(probe('constructor', undefined, '1')).toBe('unknown-name')
    expect(judge([opened], { type: 'reading', test: 'cold-stop.look', text: 'banana' })).toBe('bad-reading')
    const ohms = (si: number) => judge([opened, ...safe], { ...dead, value: { type: 'value', si } } as Payload)
    expect(ohms(812)).toBeUndefined()
    expect(ohms(8.12)).toBe('bad-reading')
    expect(judge([opened], { type: 'safety', step: 'pray' })).toBe('unknown-name')
    expect(judge([opened], { ...close, repair: 'nonsense' } as Payload)).toBe('unknown-name')
    expect(judge([opened], { type: 'retracted', event: idOf(77) })).toBe('not-retractable')
    expect(judge([opened], { type: 'retracted', event: opened.id })).toBe('not-retractable')
    expect(judge([], dead)).toBe('not-opened')
    expect(judge([opened], opened.payload)).toBe('opened-twice')
  })
  it('no event with a character or a time that cannot be kept', () => {
    const { seq: _, by: __, ...good } = reading(2, '812')
    expect(jobEventSchema.safeParse(good).success).toBe(true)
    for (const text of ['8\u000012', '8\ud83012', '\udc00'])
      expect(jobEventSchema.safeParse({ ...good, payload: { ...good.payload, text } }).success).toBe(false)
    for (const at of ['0000-01-01T00:00:00.000Z', '9999-01-01T00:00:00.000Z', 'yesterday', '2026-13-01T00:00:00.000Z'])
      expect(jobEventSchema.safeParse({ ...good, at }).success).toBe(false)
    expect(jobEventSchema.safeParse({ ...good, payload: { ...good.payload, text: '12 😀' } }).success).toBe(true)
    expect(soundText('a\u0000b\ud830c😀')).toBe('abc😀')
  })
})

describe('a run that is watched', () => {
  const run: Payload = { type: 'run', program: 'cold-wash', began: '2026-03-01T10:00:00.000Z' }
  const facts = { ...FACTS, targets: { ...FACTS.targets, start: ['cold-wash'] } }
  const judged = (events: Parameters<typeof foldJob>[0], payload: Payload, role: Role = 'technician', by = 'Mara') =>
    refuses(foldJob(events), event(50, payload), facts, role, undefined, by)?.code
  const clip: Payload = { type: 'clipped', test: 'cold-valve.volts' }

  it('starts a program that there is, and gives power as a start does', () => {
    expect(judged([opened], run)).toBeUndefined()
    expect(judged([opened], { ...run, program: 'spin' })).toBe('unknown-name')
    expect(judged([opened], run, 'read-only')).toBe('read-only')
    expect(foldJob([opened, event(2, run)]).live).toBeDefined()
  })
  it('tips go on and come off dead, are nothing for a trainee, and do not stay in a machine that is left', () => {
    expect(judged([opened], clip)).toBe('make-safe-first')
    expect(judged([opened, safe[0]!], clip)).toBeUndefined()
    expect(judged([opened, safe[0]!], clip, 'trainee')).toBe('no-live-work')
    expect(judged([opened, safe[0]!], { type: 'clipped', test: 'cold-valve.ohms' })).toBe('unknown-name')
    const on = [opened, safe[0]!, event(3, clip)]
    expect(judged(on, close)).toBe('clips-in')
    expect(judged(on, { type: 'awaits', what: 'part', text: '' })).toBe('clips-in')
    // What is read at them asks for nothing once it runs; to start with them is live work.
    expect(judged(on, run)).toBe('make-safe-first')
    expect(judged([opened, ...safe, event(5, clip), event(6, run)], live)).toBeUndefined()
    // Where nobody was ready for live work nothing live is read.
    expect(judged(on, live)).toBe('make-safe-first')
    const off = event(4, { type: 'unclipped', test: 'cold-valve.volts' })
    expect(foldJob([...on, off]).clips).toBeUndefined()
    expect(judged([...on, off], close)).toBeUndefined()
  })
  it('keeps what was noticed with its run, in any order of arrival, and lets it be taken back', () => {
    const begun = event(2, run)
    const mark = (n: number, seconds: number) =>
      event(n, {
        type: 'marked',
        run: begun.id,
        lane: 'cold-valve.passes',
        turn: 'on',
        nth: 0,
        seconds,
        noticed: 'hand',
      })
    const over = event(5, { type: 'run-over', run: begun.id, seconds: 90 })
    const events = [opened, begun, mark(3, 4), mark(4, 60), over]
    const [folded] = foldJob(events).runs
    expect(folded).toMatchObject({ program: 'cold-wash', over: 90 })
    expect(folded!.marks.map((m) => m.seconds)).toEqual([4, 60])
    expect(foldJob(events.toReversed())).toEqual(foldJob(events))
    const taken = foldJob([...events, event(6, { type: 'retracted', event: idOf(3) })])
    expect(taken.runs[0]!.marks.map((m) => m.seconds)).toEqual([60])
    // A mark of a run that never came says nothing.
    expect(foldJob([opened, event(2, { type: 'run-over', run: idOf(40), seconds: 1 })]).runs).toEqual([])
  })
})
