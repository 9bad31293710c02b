import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { foldJob, missingSteps, refuses, type Happening, type JobEvent } from '../../core/job'

const event = (n: number, what: Happening): JobEvent => ({
  id: `e${String(n).padStart(3, '0')}`,
  v: 1,
  at: `2026-03-0${1 + (n % 3)}T10:00:00.000Z`,
  device: 'd',
  what,
})
const opened = event(0, { is: 'opened', machine: 'm', complaints: ['no-fill'], words: 'no water' })
const reading = (n: number, text: string) => event(n, { is: 'reading', test: 'cold-valve.ohms', text })
const NEEDS = [
  { id: 'isolate', title: '', before: 'dead' as const },
  { id: 'ready', title: '', before: 'live' as const },
]

describe('job', () => {
  it('posting twice changes nothing, and two devices merge to the same job in any order', () => {
    const all = [
      opened,
      ...Array.from({ length: 12 }, (_, i) =>
        i % 4 === 3
          ? event(i + 1, { is: 'retracted', event: `e${String(i).padStart(3, '0')}` })
          : reading(i + 1, String(i)),
      ),
    ]
    const once = foldJob(all)
    fc.assert(
      fc.property(fc.shuffledSubarray(all, { minLength: all.length }), fc.subarray(all), (order, again) => {
        expect(foldJob([...order, ...again])).toEqual(once)
      }),
      { seed: 1, numRuns: 60 },
    )
    expect(once.log).toHaveLength(6)
  })
  it('a retracted reading is as if never entered; an action stays', () => {
    const act = event(2, { is: 'action', action: { verb: 'open', target: 'top' } })
    const with2 = foldJob([
      opened,
      reading(1, '800'),
      act,
      event(3, { is: 'retracted', event: 'e001' }),
      event(6, { is: 'retracted', event: 'e002' }),
    ])
    expect(with2.log.map((l) => l.is)).toEqual(['action'])
  })
  it('a repair said to be done by mistake can be taken back', () => {
    const done = event(1, { is: 'action', action: { verb: 'repair', target: 'new-valve' } })
    expect(foldJob([opened, done]).log).toHaveLength(1)
    expect(foldJob([opened, done, event(2, { is: 'retracted', event: 'e001' })]).log).toHaveLength(0)
  })
  it('the opening cannot be taken back; a retraction can', () => {
    const back = [opened, reading(1, '800'), event(2, { is: 'retracted', event: 'e001' })]
    expect(foldJob([...back, event(5, { is: 'retracted', event: 'e000' })]).machine).toBe('m')
    expect(foldJob([...back, event(5, { is: 'retracted', event: 'e002' })]).log).toHaveLength(1)
  })
  it('no live step before the safety steps, no dead step before its own', () => {
    const job = foldJob([opened])
    expect(missingSteps('live', NEEDS, job).map((n) => n.id)).toEqual(['isolate', 'ready'])
    expect(missingSteps('look', NEEDS, job)).toEqual([])
    expect(refuses(job, reading(1, '120'), NEEDS, () => 'live')).toMatchObject({ why: 'make-safe-first' })
    const safe = foldJob([opened, event(1, { is: 'safety', step: 'isolate' })])
    expect(refuses(safe, reading(2, '120'), NEEDS, () => 'dead')).toBeUndefined()
    expect(refuses(safe, reading(2, '120'), NEEDS, () => 'live')).toMatchObject({ steps: ['ready'] })
  })
  it('a job with a bypass in cannot be closed', () => {
    const bridged = [opened, event(1, { is: 'action', action: { verb: 'jumper', target: 'lid' } })]
    const close = event(4, { is: 'closed', repair: 'r', text: '' })
    expect(refuses(foldJob(bridged), close, NEEDS, () => 'look')).toEqual({ why: 'jumper-in', parts: ['lid'] })
    expect(
      refuses(
        foldJob([...bridged, event(2, { is: 'action', action: { verb: 'unjumper', target: 'lid' } })]),
        close,
        NEEDS,
        () => 'look',
      ),
    ).toBeUndefined()
  })
})
