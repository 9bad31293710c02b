import { describe, expect, it } from 'vitest'
import { findShipped } from '../../../cli/library'
import { createEngine, remembered } from '../../../core/advice'
import { orThrow } from '../../../core/foundation/result'
import { readSheet } from '../../../core/model/sheet'

const { text, file } = findShipped('orrisk-tl40')!
const engine = createEngine(orThrow(readSheet(text, file, findShipped)))
const repairs = engine.machine.sheet.repairs.map((r) => r.id)
const jobOf = (repair: string, readings: { test: string; si: number }[] = []) => ({ repair, inVain: [], readings })
const sum = (list: readonly number[]) => list.reduce((a, b) => a + b, 0)

describe('what a shop has learnt', () => {
  it('is nothing where it has seen nothing', () => {
    expect(remembered(engine, { machineYears: 0, jobs: [] })).toMatchObject({ jobs: 0, rates: [] })
  })
  it('moves the share of what was found up, by the counts, and the rest down; shares stay shares', () => {
    const [found] = repairs.filter((r) =>
      engine.machine.faults.some((f) => engine.machine.sheet.repairs[f.repair].id === r),
    )
    let before = 0
    for (const n of [1, 5, 25]) {
      const own = remembered(engine, { machineYears: 10, jobs: Array(n).fill(jobOf(found!)) })
      const line = own.rates.find((r) => r.repair === found)!
      expect(line.cases).toBe(n)
      expect(line.now).toBeGreaterThan(Math.max(before, line.book))
      before = line.now
    }
    const all = remembered(engine, { machineYears: 2000, jobs: repairs.map((r) => jobOf(r)) }).rates
    expect(sum(all.map((r) => r.book))).toBeCloseTo(1, 9)
    expect(sum(all.map((r) => r.now))).toBeCloseTo(1, 9)
  })
  it('good windings stand beside the published band: what was read and stayed in', () => {
    const test = 'cold-valve.ohms'
    const jobs = [
      jobOf('new-lid-switch', [{ test, si: 1010 }]),
      // Renewed: what it had before says nothing of a good one.
      ...engine.machine.faults
        .filter((f) => f.id.startsWith('cold-valve.coil'))
        .map((f) => jobOf(engine.machine.sheet.repairs[f.repair].id, [{ test, si: 990 }])),
    ]
    const winding = remembered(engine, { machineYears: 3, jobs }).windings.find((w) => w.test === test)!
    expect(winding.known).toEqual([1010])
    expect(winding.band!.least).toBeLessThan(winding.band!.most)
    const nominal = engine.machine.params.find(
      (p) => p.id.startsWith('cold-valve.') && p.dimension === 'resistance',
    )!.nominal
    expect(winding.band!.least).toBeLessThan(nominal)
    expect(winding.band!.most).toBeGreaterThan(nominal)
  })
})
