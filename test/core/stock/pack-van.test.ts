import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { atLeast, packVan, type CallNeed, type Packable } from '../../../core/stock'

const PARTS = ['valve', 'coil', 'screen'] as const
const calls = fc.array(
  fc.uniqueArray(fc.record({ part: fc.constantFrom(...PARTS), chance: fc.double({ min: 0, max: 1, noNaN: true }) }), {
    selector: (n) => n.part,
    maxLength: 3,
  }),
  { maxLength: 4 },
)
const prices = fc.tuple(fc.nat(12), fc.nat(12), fc.nat(12))
const parts = (minor: readonly number[], inVan = 0): Packable[] =>
  PARTS.map((part, i) => ({ part, minor: minor[i]!, inVan }))

/** Return visits that a choice spares, counted over every way the day may go. */
function sparedBy(day: readonly (readonly CallNeed[])[], counts: Readonly<Record<string, number>>): number {
  let sum = 0
  for (const part of PARTS) {
    const chances = day.flatMap((c) => c.filter((n) => n.part === part).map((n) => n.chance))
    for (let ways = 0; ways < 2 ** chances.length; ways++) {
      const needs = chances.map((_, k) => (ways >> k) & 1)
      const p = chances.reduce((q, c, k) => q * (needs[k] ? c : 1 - c), 1)
      sum += p * Math.min(counts[part] ?? 0, needs.filter(Boolean).length)
    }
  }
  return sum
}

describe('what is taken along', () => {
  it('no choice within the budget spares more return visits, by going through all of them', () => {
    fc.assert(
      fc.property(calls, prices, fc.nat(30), (day, minor, budget) => {
        const packed = packVan(day, parts(minor), budget)
        const cost = packed.reduce((sum, p) => sum + p.count * p.minor, 0)
        expect(cost).toBeLessThanOrEqual(budget)
        const own = sparedBy(day, Object.fromEntries(packed.map((p) => [p.part, p.count])))
        for (let a = 0; a <= day.length; a++)
          for (let b = 0; b <= day.length; b++)
            for (let c = 0; c <= day.length; c++)
              if (a * minor[0] + b * minor[1] + c * minor[2] <= budget)
                expect(sparedBy(day, { valve: a, coil: b, screen: c })).toBeLessThanOrEqual(own + 1e-9)
      }),
      { seed: 4, numRuns: 150 },
    )
  })

  it('what lies in the van is not taken twice, and nothing that no call needs', () => {
    const day = [[{ part: 'valve', chance: 0.9 }], [{ part: 'valve', chance: 0.5 }]]
    expect(packVan(day, parts([5, 5, 5], 1), 100)).toMatchObject([{ part: 'valve', count: 1 }])
    expect(packVan(day, parts([5, 5, 5], 2), 100)).toEqual([])
    expect(packVan(day, parts([5, 5, 5]), 0)).toEqual([])
    expect(packVan([], parts([0, 0, 0]), 100)).toEqual([])
  })

  it('chances of several calls come together as they are drawn', () => {
    expect(atLeast([0.5, 0.5])).toEqual([0.75, 0.25])
    expect(atLeast([])).toEqual([])
    expect(atLeast([1, 1, 0])).toEqual([1, 1, 0])
  })
})
