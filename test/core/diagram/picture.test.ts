import { describe, expect, it } from 'vitest'
import { foldSeries, layoutPicture, type Picture } from '../../../core/diagram/layout'
import { traceLines, type TracedLines } from '../../../core/diagram'
import { edit, FAMILY, mini, predictorOf } from '../support/sheets'

const draw = (text: string, shown?: (lines: TracedLines) => Set<number>) => {
  const { catalogue } = predictorOf(text)
  const lines = traceLines(catalogue)
  const picture = layoutPicture(lines, shown?.(lines))
  const id = (part: number) => (part < 0 ? 'return' : catalogue.machine.parts[part].id)
  return { picture, runs: picture.runs.map((r) => `${r.line}: ${id(r.from)} > ${id(r.to)}`), id, lines }
}
const overlaps = ({ spots }: Picture) =>
  spots.some((a, i) => spots.slice(i + 1).some((b) => a.rank === b.rank && Math.abs(a.row - b.row) < 0.9))

describe('the picture draws itself from the sheet', () => {
  it('the washer: water and power meet at the valve, the level comes back', () => {
    const { picture, runs } = draw(FAMILY)
    expect(overlaps(picture)).toBe(false)
    for (const r of [
      'water: cold-stop > cold-hose',
      'water: cold-screen > cold-valve',
      'power: lid > cold-out',
      'power: cold-plug > cold-valve',
      'water: cold-valve > tub',
      'level: tube > sensor',
      'level: sensor > level',
      'water: tub > drain-pump',
    ])
      expect(runs).toContain(r)
  })
  it.each(['irrigation', 'boiler', 'interlocks'])('another topology, %s, without a line of code for it', (name) => {
    const { picture, runs } = draw(mini(name))
    expect(overlaps(picture)).toBe(false)
    const wanted = {
      irrigation: ['water: gate > v2', 'power: run2 > v2', 'return: v2 > common-b', 'return: common-b > common-a'],
      boiler: ['water: fill-valve > tank', 'level: tank > cutoff', 'level: cutoff > float-in'],
      interlocks: ['power: bin > water-switch', 'power: overload > delay', 'power: relay > drive'],
    }[name]!
    for (const r of wanted) expect(runs).toContain(r)
  })
  it('a switch moved to the return moves in the picture; fewer lanes still draw', () => {
    const moved = edit(
      edit(
        edit(FAMILY, 'interlock: [fuse.2, lid, cold-out.com]', 'interlock: [fuse.2, cold-out.com]'),
        '[lid.2, hot-out.com]',
        '[fuse.2, hot-out.com]',
      ),
      'valve-return, board.N]',
      'valve-return, lid.1]\n  lid-return: [lid.2, board.N]',
    )
    expect(draw(moved).runs).toContain('return: valve-return > lid')
    expect(draw(FAMILY).runs).not.toContain('return: valve-return > lid')
    const one = draw(FAMILY, (lines) => new Set([lines.lanes[0].center]))
    expect(one.runs).not.toContain('water: hot-screen > hot-valve')
    expect(overlaps(one.picture)).toBe(false)
  })
  it('parts in series of which nothing is to be said are drawn as one, and come back when something is', () => {
    const { lines, id } = draw(FAMILY)
    const names = (folded: TracedLines) => folded.lanes.flatMap((l) => [...l.water, ...l.feed]).map(id)
    const all = foldSeries(lines, () => true)
    expect(names(all.lines)).not.toContain('cold-hose')
    expect([...all.more].map(([p]) => id(p))).toContain('cold-main')
    // Each part is drawn, or counted by the one that stands for it.
    const parts = new Set(lines.lanes.flatMap((l) => [...l.water, ...l.feed]))
    const left = new Set(all.lines.lanes.flatMap((l) => [...l.water, ...l.feed]))
    expect(parts.size - left.size).toBe([...all.more.values()].reduce((a, b) => a + b, 0))
    expect(overlaps(layoutPicture(all.lines))).toBe(false)
    const hose = foldSeries(lines, (p) => id(p) !== 'cold-hose')
    expect(names(hose.lines)).toContain('cold-hose')
    expect(foldSeries(lines, () => false).lines).toEqual(lines)
  })
})
