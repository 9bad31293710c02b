import { describe, expect, it } from 'vitest'
import { lookThrough, meet, uncertainWhenHealthy } from '../../benchmark/self-check'
import { findShipped, shippedIds } from '../../cli/library'
import { createEngine } from '../../core/advice'
import { edit, sheetOf } from '../core/support/sheets'

const SEEDS = [1, 2, 3]
const machines = shippedIds()
  .map((id) => sheetOf(findShipped(id)!.text))
  .filter((s) => !s.assembly && !s.family)

describe('the library checks itself', () => {
  it('a float that stands where it switches is named as a toss-up, one that stands clear of it is not', () => {
    const { text } = findShipped('quenby-c25')!
    const near = createEngine(sheetOf(edit(text, 'rated: 2.2 L/min', 'rated: 1.6 L/min'))).predictor
    expect(uncertainWhenHealthy(near)).toContain('float.ohms')
    expect(uncertainWhenHealthy(createEngine(sheetOf(text)).predictor)).toEqual([])
  })
  it('a moment at which a timer may or may not have run out is named by what is read then', () => {
    const { text } = findShipped('ulldale-f6')!
    const early = createEngine(sheetOf(edit(text, 'after: 3 min', 'after: 165 s'))).predictor
    expect(uncertainWhenHealthy(early)).toContain('drive-relay.click')
    expect(uncertainWhenHealthy(createEngine(sheetOf(text)).predictor)).toEqual([])
  })
  it('a float that goes to and fro is not measured where it happens to stand', () => {
    const { procedures } = createEngine(sheetOf(findShipped('ulldale-f9')!.text)).predictor.catalogue
    const ids = procedures.map((x) => x.id)
    expect(ids).toContain('res-high.worked')
    expect(ids).not.toContain('res-high.ohms')
  })
  it.each(machines.map((s, i) => [s.id, s, i] as const))(
    '%s: every fault shows, nothing healthy is complained of, look-alikes are few, and the advice ends on the right repair',
    (_, sheet, i) => {
      const predictor = createEngine(sheet).predictor
      const { wrong, signatures } = lookThrough(predictor)
      expect(wrong).toEqual([])
      expect(sheet.faults.length).toBeGreaterThanOrEqual(25)
      expect(signatures).toBeGreaterThanOrEqual(15)
      // One fault of each machine here, another on each; `npm run self-check` plays them all.
      const { faults } = predictor.catalogue.machine
      for (let k = 11 * i; ; k++) {
        const met = SEEDS.flatMap((seed) => meet(predictor, faults[k % faults.length], seed) ?? [])
        if (met.length < SEEDS.length) continue
        expect(met.filter((m) => !m.solved).map((m) => `${m.fault}, seed ${m.seed}`)).toEqual([])
        return
      }
    },
    300_000,
  )
})
