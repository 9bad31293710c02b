import { describe, expect, it } from 'vitest'
import { layoutPicture, type Picture } from '../../../core/diagram/layout'
import { traceLines } from '../../../core/diagram'
import { edit, FAMILY, mini, predictorOf } from '../support/sheets'

const draw = (text: string) => {
  const { catalogue } = predictorOf(text)
  const picture = layoutPicture(traceLines(catalogue))
  const id = (part: number) => (part < 0 ? 'return' : catalogue.machine.parts[part].id)
  return { picture, runs: picture.runs.map((r) => `${r.line}: ${id(r.from)} > ${id(r.to)}`) }
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
  it('a switch moved to the return moves in the picture', () => {
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
  })
})
