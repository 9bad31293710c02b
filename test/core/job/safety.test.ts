import { describe, expect, it } from 'vitest'
import {
  actsNow,
  foldJob,
  missingSteps,
  othersIn,
  powerState,
  refuses,
  waterState,
  type HandAct,
  type Payload,
  type SafetyNeed,
  type SequencedEvent,
} from '../../../core/job'
import { event, FACTS, opened, retracted } from './events'

const needs: SafetyNeed[] = [
  { id: 'meter', title: '', before: 'isolated', does: 'proves-meter' },
  { id: 'off', title: '', before: 'isolated', does: 'isolates', again: true },
  { id: 'dead', title: '', before: 'isolated', does: 'proves-dead', at: 'at the box', again: true },
  { id: 'shut', title: '', before: 'isolated', does: 'shuts-water' },
  { id: 'pressure', title: '', before: 'isolated' },
  { id: 'back', title: '', before: 'energised', does: 'gives-back' },
  { id: 'water', title: '', before: 'energised', does: 'opens-water' },
  { id: 'trained', title: '', before: 'energised', does: 'readies' },
]
const facts = { ...FACTS, needs }
const step = (n: number, id: string, by = 'Mara E.') => {
  const { again, does } = needs.find((x) => x.id === id)!
  const payload = { type: 'safety', step: id, ...(again ? { again } : {}), ...(does ? { does } : {}) } as Payload
  return event(n, payload, { by })
}
const missing = (events: SequencedEvent[], acts: HandAct[], by?: string) =>
  missingSteps(acts, needs, foldJob([opened, ...events]), opened.at, by).map((s) => s.id)
const isolated = [step(2, 'meter'), step(3, 'off'), step(4, 'dead'), step(5, 'pressure')]
const live = event(8, { type: 'reading', test: 'cold-valve.volts', text: '118', live: true, hands: true })
const state = (...events: SequencedEvent[]) => powerState(foldJob([opened, ...events]), needs, opened.at)

describe('safety follows what hands do', () => {
  it('each act has its own steps', () => {
    const all = needs.map((n) => n.id).filter((id) => id !== 'shut' && id !== 'water')
    expect(missing([], [])).toEqual([])
    expect(missing([], ['open'])).toEqual(['meter', 'off', 'dead', 'pressure'])
    expect(missing([], ['hose'])).toEqual(['off', 'shut', 'pressure'])
    // What must stay on for a bucket is not switched off for it.
    expect(missing([], ['water'])).toEqual(['pressure'])
    expect(missing([], ['open', 'power'])).toEqual(['meter', 'off', 'dead', 'pressure', 'back'])
    expect(missing([], ['terminals', 'power', 'live'])).toEqual(all)
    const look: Payload = { type: 'reading', test: 'tub.look', text: 'yes' }
    const asks = (events: SequencedEvent[]) =>
      refuses(foldJob([opened, ...events]), event(50, look), facts, 'technician', undefined, 'Mara E.')?.code
    expect(asks([])).toBe('make-safe-first')
    expect(asks(isolated)).toBe('make-safe-first')
    expect(asks([...isolated, step(6, 'back')])).toBeUndefined()
  })
  it('power takes back that it is dead; hands that go in again have it looked over again before power', () => {
    const ready = [...isolated, step(6, 'back'), step(7, 'trained')]
    const acts: HandAct[] = ['terminals', 'power', 'live']
    expect(missing(ready, acts)).toEqual([])
    expect(missing([...ready, live], acts)).toEqual(['off', 'dead'])
    expect(missing([...ready, live, step(9, 'off'), step(10, 'dead')], acts)).toEqual(['back'])
  })
  it('live work and giving power back are confirmed by each person', () => {
    const ready = [...isolated, step(6, 'back'), step(7, 'trained')]
    const acts: HandAct[] = ['terminals', 'power', 'live']
    expect(missing(ready, acts, 'Mara E.')).toEqual([])
    expect(missing(ready, acts, 'Joss E.')).toEqual(['back', 'trained'])
  })
  it('no power while somebody else has hands in, nor without looking over what one had open oneself', () => {
    const job = foldJob([opened, ...isolated])
    expect(othersIn(job, needs, 'Joss E.')).toEqual(['Mara E.'])
    expect(othersIn(job, needs, 'Mara E.')).toEqual([])
    const volts: Payload = { type: 'reading', test: 'cold-valve.volts', text: '118' }
    const both = [...isolated, step(6, 'back', 'Joss E.'), step(7, 'trained', 'Joss E.')]
    const taken = (events: SequencedEvent[]) =>
      refuses(foldJob([opened, ...events]), event(50, volts), facts, 'technician', undefined, 'Joss E.')
    expect(taken(both)).toEqual({ code: 'hands-in', names: ['Mara E.'] })
    expect(taken([...both, step(8, 'back')])).toBeUndefined()
    // Taking "hands out" back puts them in.
    expect(taken([...both, step(8, 'back'), retracted(9, 8)])).toEqual({ code: 'hands-in', names: ['Mara E.'] })
    const glance = { acts: [], powered: true }
    expect(actsNow(glance, job, 'Mara E.')).toEqual(['power'])
    expect(actsNow(glance, foldJob([opened]), 'Mara E.')).toEqual([])
  })
  it('undoing takes what rested on it and never gives a permission back', () => {
    expect(missing([...isolated, retracted(6, 3)], ['open'])).toEqual(['off', 'dead', 'pressure'])
    expect(missing([...isolated, retracted(6, 3), retracted(7, 6)], ['open'])).toEqual(['off', 'dead', 'pressure'])
    expect(missing([...isolated, retracted(6, 3), step(7, 'off')], ['open'])).toEqual(['dead', 'pressure'])
  })
  it('the state says what was done, by whom and when; in doubt nothing is dead', () => {
    expect(state()).toEqual({ state: 'unknown' })
    expect(state(...isolated.slice(0, 2))).toMatchObject({ state: 'isolated', by: 'Mara E.', step: 'off' })
    expect(state(...isolated)).toMatchObject({
      state: 'dead',
      by: 'Mara E.',
      step: 'dead',
      where: 'at the box',
    })
    expect(state(...isolated, retracted(6, 3))).toEqual({ state: 'unknown' })
    expect(state(...isolated, live)).toEqual({ state: 'live', at: live.at, by: 'Mara E.' })
    expect(state(...isolated, live, step(9, 'off'))).toMatchObject({ state: 'isolated' })
    const nextDay = new Date(Date.parse(opened.at) + 9 * 3600e3).toISOString()
    expect(powerState(foldJob([opened, ...isolated]), needs, nextDay)).toEqual({ state: 'unknown' })
  })
  it('water that somebody shut is opened again before the machine is run; in doubt it is under pressure', () => {
    const water = (...events: SequencedEvent[]) => waterState(foldJob([opened, ...events]), opened.at)
    const glance = { acts: [], powered: true }
    const due = (...events: SequencedEvent[]) => {
      const job = foldJob([opened, ...events])
      return missingSteps(actsNow(glance, job, 'Joss E.'), needs, job, opened.at, 'Joss E.').map((s) => s.id)
    }
    expect(water()).toBeUndefined()
    expect(due()).toEqual([])
    const shut = [step(2, 'shut')]
    expect(water(...shut)).toMatchObject({ state: 'shut', by: 'Mara E.' })
    expect(due(...shut)).toEqual(['water'])
    expect(missing(shut, ['hose'])).toEqual(['off', 'pressure'])
    const open = [...shut, step(3, 'water', 'Joss E.')]
    expect(water(...open)).toMatchObject({ state: 'on', by: 'Joss E.' })
    expect(due(...open)).toEqual([])
    // The one makes the other due again.
    expect(missing(open, ['hose'])).toEqual(['off', 'shut', 'pressure'])
    expect(due(...open, step(4, 'shut'))).toEqual(['water'])
    expect(water(...shut, retracted(4, 2))).toBeUndefined()
    expect(missing([...open, retracted(4, 3)], ['hose'])).toEqual(['off', 'shut', 'pressure'])
    const nextDay = new Date(Date.parse(opened.at) + 9 * 3600e3).toISOString()
    expect(waterState(foldJob([opened, ...shut]), nextDay)).toBeUndefined()
  })
})
