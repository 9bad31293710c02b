import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { TracedLines } from '../../../core/diagram'
import { foldSeries, layoutPicture } from '../../../core/diagram/layout'

const PARTS = 30
const chain = (most: number) => fc.uniqueArray(fc.integer({ min: 0, max: PARTS - 1 }), { maxLength: most })
/** Lines as no sheet has them: parts on several lanes, lanes without water, loops of a return. Vessels stand past the parts. */
const lines: fc.Arbitrary<TracedLines> = fc
  .record({
    lanes: fc.array(
      fc.record({
        center: fc.integer({ min: 0, max: PARTS - 1 }),
        water: chain(5),
        waterOut: chain(2),
        vessel: fc.option(fc.integer({ min: PARTS, max: PARTS + 2 }), { nil: undefined }),
        empties: fc.boolean(),
        feed: chain(6),
        back: chain(3),
      }),
      { minLength: 1, maxLength: 7 },
    ),
    levels: fc.array(fc.record({ vessel: fc.integer({ min: PARTS, max: PARTS + 2 }), chain: chain(4) }), {
      maxLength: 4,
    }),
  })
  .map(({ lanes, levels }) => ({
    // A part stands in its own lane once.
    lanes: [...new Map(lanes.map((l) => [l.center, l])).values()].map((l) => {
      const used = new Set([l.center])
      const fresh = (list: number[]) => list.filter((p) => !used.has(p) && used.add(p))
      return { ...l, water: fresh(l.water), waterOut: fresh(l.waterOut), feed: fresh(l.feed), back: fresh(l.back) }
    }),
    levels,
  }))

describe('the layout of any lines', () => {
  it('draws each part once, none over another, and every line between parts that are drawn', () => {
    fc.assert(
      fc.property(lines, fc.boolean(), (traced, some) => {
        const shown = some ? new Set(traced.lanes.slice(0, 2).map((l) => l.center)) : undefined
        const { spots, runs, ranks, rows } = layoutPicture(traced, shown)
        const drawn = new Set(spots.map((s) => s.part))
        expect(drawn.size).toBe(spots.length)
        for (const l of traced.lanes)
          if (!shown || shown.has(l.center))
            for (const p of [l.center, ...l.water, ...l.waterOut, ...l.feed, ...l.back]) expect(drawn).toContain(p)
        for (const { from, to } of runs) {
          expect(drawn).toContain(from)
          if (to !== -1) expect(drawn).toContain(to)
        }
        expect(new Set(runs.map((r) => `${r.from} ${r.to} ${r.line}`)).size).toBe(runs.length)
        for (const [i, a] of spots.entries()) {
          expect(a.rank).toBeGreaterThanOrEqual(ranks.least)
          expect(a.rank).toBeLessThanOrEqual(ranks.most)
          expect(a.row).toBeGreaterThanOrEqual(0)
          expect(a.row).toBeLessThanOrEqual(rows - 1 + 1e-9)
          for (const b of spots.slice(i + 1))
            if (a.rank === b.rank) expect(Math.abs(a.row - b.row)).toBeGreaterThan(0.94)
        }
      }),
      { numRuns: 400 },
    )
  })
  it('folds nothing of which something is to be said, nothing where lines meet, and counts what it leaves out', () => {
    const plainParts = fc.array(fc.boolean(), { minLength: PARTS + 3, maxLength: PARTS + 3 })
    fc.assert(
      fc.property(lines, plainParts, (traced, plain) => {
        const { lines: folded, more } = foldSeries(traced, (p) => plain[p]!)
        const of = (t: TracedLines) => new Set(t.lanes.flatMap((l) => [l.center, ...l.water, ...l.feed]))
        const [all, left] = [of(traced), of(folded)]
        const hidden = [...all].filter((p) => !left.has(p))
        const centers = new Set(traced.lanes.map((l) => l.center))
        for (const p of hidden) {
          expect(plain[p]).toBe(true)
          expect(centers).not.toContain(p)
        }
        expect(hidden.length).toBe([...more.values()].reduce((a, b) => a + b, 0))
        for (const p of more.keys()) expect(left).toContain(p)
        // What stays, stays in its order.
        for (const [i, l] of traced.lanes.entries())
          expect(folded.lanes[i]!.feed).toEqual(l.feed.filter((p) => !hidden.includes(p)))
      }),
      { numRuns: 400 },
    )
  })
})
