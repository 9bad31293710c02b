import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { TracedLines } from '../../../core/diagram'
import { drawPicture, layoutPicture, stripsOf, type DrawnPicture } from '../../../core/diagram/layout'

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
      fc.property(lines, (traced) => {
        const { spots, runs, ranks, rows } = layoutPicture(traced)
        const drawn = new Set(spots.map((s) => s.part))
        expect(drawn.size).toBe(spots.length)
        for (const l of traced.lanes)
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

  it('leads every line from its own box to its own box, round all others, along the sheet', () => {
    fc.assert(
      fc.property(lines, (traced) => {
        const picture = layoutPicture(traced)
        const drawn = drawPicture(picture)
        expect(drawn.lines.length).toBe(picture.runs.filter((r) => r.to !== -1).length)
        expectRoundBoxes(drawn)
      }),
      { numRuns: 60 },
    )
  })
  it('has every part of a line in a strip once', () => {
    fc.assert(
      fc.property(lines, (traced) => {
        const strips = stripsOf(traced)
        for (const strip of Object.values(strips)) expect(new Set(strip).size).toBe(strip.length)
        const there = new Set(Object.values(strips).flat())
        for (const { part } of layoutPicture(traced).spots) expect(there).toContain(part)
      }),
    )
  })
})

/** Within the canvas, upright or level, from edge to edge of its own boxes, and clear of every other one. */
export function expectRoundBoxes({ boxes, box, lines: all, width, height }: DrawnPicture): void {
  const own = new Map(boxes.map((b) => [b.part, b]))
  const [w, h] = [box.width / 2, box.height / 2]
  const onEdge = (p: { x: number; y: number }, part: number) => {
    const b = own.get(part)!
    const [dx, dy] = [Math.abs(p.x - b.x), Math.abs(p.y - b.y)]
    return (dx === w && dy <= h) || (dy === h && dx <= w)
  }
  for (const { from, to, points } of all) {
    expect(onEdge(points[0]!, from), `begins at ${from}`).toBe(true)
    expect(onEdge(points.at(-1)!, to), `ends at ${to}`).toBe(true)
    for (const [k, b] of points.entries()) {
      expect(b.x >= 0 && b.y >= 0 && b.x <= width && b.y <= height).toBe(true)
      const a = points[k - 1]
      if (!a) continue
      expect(a.x === b.x || a.y === b.y, `straight from ${from} to ${to}`).toBe(true)
      for (const o of boxes) {
        const crosses =
          Math.max(a.x, b.x) > o.x - w &&
          Math.min(a.x, b.x) < o.x + w &&
          Math.max(a.y, b.y) > o.y - h &&
          Math.min(a.y, b.y) < o.y + h
        expect(crosses, `the line from ${from} to ${to} runs behind ${o.part}`).toBe(false)
      }
    }
  }
}
