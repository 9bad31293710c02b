import { describe, expect, it } from 'vitest'
import { foldJob, refuses, type Payload, type SequencedEvent } from '../../../core/job'
import { event, FACTS, idOf, opened, retracted } from './events'

const label = (n: number, name: string): SequencedEvent => event(n, { type: 'label', name, colour: 'brown' })
const off = (n: number, of: number, name: string, by = 'Mara E.') =>
  event(n, { type: 'disconnected', label: idOf(of), name }, { by })
const back = (n: number, of: number) => event(n, { type: 'reconnected', label: idOf(of) })
const isolate = event(2, { type: 'safety', step: 'isolate', does: 'isolates' })
const offIn = (...events: SequencedEvent[]) => foldJob([opened, ...events]).disconnected?.map((d) => d.name)
const asks = (events: SequencedEvent[], payload: Payload, target?: SequencedEvent) =>
  refuses(foldJob([opened, ...events]), event(99, payload), FACTS, 'technician', target, 'Mara E.')

describe('the wiring record', () => {
  it('what came off stands in its order until it is back, however often and by whomever it is said', () => {
    const labels = [label(3, 'cold plug'), label(4, 'hot plug'), label(5, 'earth')]
    const all = [...labels, off(6, 3, 'cold plug'), off(7, 4, 'hot plug', 'Joss E.'), off(8, 3, 'cold plug', 'Joss E.')]
    expect(offIn(...all)).toEqual(['cold plug', 'hot plug'])
    expect(offIn(...all, back(9, 3))).toEqual(['hot plug'])
    expect(offIn(...all, back(9, 3), back(10, 3), back(11, 4))).toBeUndefined()
    expect(offIn(...all, back(9, 3), off(10, 3, 'cold plug'))).toEqual(['hot plug', 'cold plug'])
  })
  it('hands go in for it: first it is made safe, and power waits until they are out', () => {
    const payload: Payload = { type: 'disconnected', label: idOf(3), name: 'cold plug' }
    expect(asks([label(3, 'cold plug')], payload)).toEqual({ code: 'make-safe-first', names: ['isolate'] })
    expect(asks([isolate, label(3, 'cold plug')], payload)).toBeUndefined()
    expect(foldJob([opened, isolate, label(3, 'x'), off(4, 3, 'x', 'Joss E.')]).handsIn).toHaveProperty(['Joss E.'])
  })
  it('a machine is not left as repaired with something off, and a label of what is off cannot be taken back', () => {
    const own = label(3, 'cold plug')
    const events = [isolate, own, off(4, 3, 'cold plug')]
    const still = { code: 'still-off', names: ['cold plug'] }
    expect(asks(events, { type: 'closed', repair: 'valve', text: '' })).toEqual(still)
    expect(asks(events, { type: 'closed', repair: '', text: '', as: 'works-now' })).toEqual(still)
    expect(asks(events, { type: 'closed', repair: '', text: 'taps shut', as: 'handed-over' })).toBeUndefined()
    expect(asks(events, { type: 'awaits', what: 'part', text: 'unplugged' })).toBeUndefined()
    expect(asks(events, { type: 'retracted', event: own.id }, own)).toEqual(still)
    expect(asks([...events, back(5, 3)], { type: 'retracted', event: own.id }, own)).toBeUndefined()
    expect(asks([...events, back(5, 3)], { type: 'closed', repair: 'valve', text: '' })).toBeUndefined()
  })
  it('photos and labels stand with who and when, and go when they are taken back', () => {
    const hash = 'ab'.repeat(32)
    const photo = event(3, { type: 'photo', photo: hash, width: 1600, height: 1200, about: 'wiring' })
    const shown = event(4, { type: 'label', name: 'cold plug', shown: { photo: hash, x: 0.25, y: 0.5 } })
    const { photos, labels } = foldJob([opened, photo, shown])
    expect(photos).toEqual([
      { event: photo.id, at: photo.at, by: 'Mara E.', photo: hash, width: 1600, height: 1200, about: 'wiring' },
    ])
    expect(labels[0]).toMatchObject({ name: 'cold plug', shown: { photo: hash, x: 0.25 } })
    const after = foldJob([opened, photo, shown, retracted(5, 3), retracted(6, 4)])
    expect([after.photos, after.labels]).toEqual([[], []])
  })
})
