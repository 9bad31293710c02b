import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { foldedLines, lanesThatMatter, type Standing } from '../../../../app/features/job/picture-choice'
import { boxOf, curveOf, pointsOf, returnOf, wrapTitle } from '../../../../app/features/job/picture-geometry'
import { traceLines } from '../../../../core/diagram'
import { layoutPicture } from '../../../../core/diagram/layout'
import { FAMILY, mini, predictorOf } from '../../../core/support/sheets'

const machines = [FAMILY, mini('irrigation'), mini('boiler')].map((text) => {
  const { catalogue } = predictorOf(text)
  return { lines: traceLines(catalogue), parts: catalogue.machine.parts }
})
const standingOf = (chances: readonly number[], next: number): Standing => ({
  next,
  links: new Map(
    chances.map((p, part) => [
      part,
      { part, p, state: p > 0.9 ? 'faulty' : p > 0.01 ? 'suspect' : 'untested' } as never,
    ]),
  ),
})

describe('the picture on a screen', () => {
  it.each([
    [1280, false],
    [390, true],
  ])('%i px wide: every part stands within it, each with room for itself', (width, upright) => {
    for (const { lines, parts } of machines) {
      const picture = layoutPicture(lines)
      const box = boxOf(picture, width, upright)
      const points = [...pointsOf(picture, box)]
      expect(points.length).toBe(picture.spots.length)
      for (const [part, { x, y }] of points) {
        expect(x - box.nodeW / 2, parts[part]!.id).toBeGreaterThanOrEqual(0)
        expect(x + box.nodeW / 2, parts[part]!.id).toBeLessThanOrEqual(box.width + 0.5)
        expect(y - box.nodeH / 2, parts[part]!.id).toBeGreaterThanOrEqual(0)
        expect(y + box.nodeH / 2, parts[part]!.id).toBeLessThanOrEqual(box.height)
        for (const [other, b] of points)
          if (other !== part)
            expect(Math.abs(x - b.x) >= box.nodeW - 0.5 || Math.abs(y - b.y) >= box.nodeH, parts[part]!.id).toBe(true)
      }
      if (upright) expect(box.width).toBe(width)
      for (const { from, to, line } of picture.runs) {
        const a = pointsOf(picture, box).get(from)!
        const path = curveOf(line, a, pointsOf(picture, box).get(to) ?? returnOf(a, box), box)
        expect(path).toMatch(/^M-?[\d.]+ -?[\d.]+L/)
        expect(path).not.toContain('NaN')
      }
      for (const { title } of parts) {
        const written = wrapTitle(title, box)
        expect(written.length).toBeLessThanOrEqual(2)
        if (written.join(' ') !== title) expect(written.at(-1)).toMatch(/…$/)
      }
    }
  })
  it('where room is short, what is suspected and what the test looks at is always drawn', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...machines),
        fc.array(fc.double({ min: 0, max: 1, noNaN: true }), { minLength: 80, maxLength: 80 }),
        fc.nat({ max: 79 }),
        ({ lines }, chances, at) => {
          const loaded = lines.lanes.flatMap((l) => [l.center, ...l.water, ...l.feed])
          const next = loaded[at % loaded.length]!
          const standing = standingOf(
            chances.map((p) => (p > 0.9 ? p : 0)),
            next,
          )
          const shown = lanesThatMatter(lines, standing, 3)
          expect(shown.size).toBeGreaterThan(0)
          expect(shown.size).toBeLessThanOrEqual(3)
          const { lines: drawn } = foldedLines(lines, shown, standing)
          const parts = new Set(drawn.lanes.flatMap((l) => [l.center, ...l.water, ...l.feed, ...l.back]))
          expect(parts).toContain(next)
          for (const l of lines.lanes.filter((lane) => shown.has(lane.center)))
            for (const p of [l.center, ...l.water, ...l.feed]) if (chances[p]! > 0.9) expect(parts).toContain(p)
        },
      ),
      { numRuns: 200 },
    )
  })
})
