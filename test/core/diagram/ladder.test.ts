import { describe, expect, it } from 'vitest'
import { findShipped, shippedIds } from '../../../cli/library'
import { ladderOf, pieceOf, type LadderCircuit } from '../../../core/diagram'
import { buildMachine, type Machine } from '../../../core/model/machine'
import { describePiece } from '../../../core/words'
import { sheetOf } from '../support/sheets'
import { underEveryName, shippedPredictor } from '../support/shipped'

const machines = shippedIds()
  .map((id) => ({ id, sheet: sheetOf(findShipped(id)!.text) }))
  .filter(({ sheet }) => !sheet.assembly && !sheet.family)
  .map(({ id, sheet }) => ({ id, machine: buildMachine(sheet) }))

/** Nodes that the drawing joins, read back from its lines alone: what stands at one column of one net. */
function endsByLine({ rungs, nets, columns }: LadderCircuit): Map<number, string[]> {
  const out = new Map<number, string[]>()
  const meet = (column: number, row: number, end: string) => {
    const at = nets.filter((n) => n.column === column && n.fromRow <= row && row <= n.toRow)
    // One line and no other passes there, so that nobody can take two for joined.
    expect(at, `${end} at ${column}, row ${row}`).toHaveLength(1)
    out.set(at[0].node, [...(out.get(at[0].node) ?? []), end])
  }
  for (const r of rungs) {
    expect(r.to).toBeGreaterThan(r.column)
    expect(r.to).toBeLessThanOrEqual(columns)
    meet(r.column, r.row, `${r.part}.${r.left}`)
    meet(r.to, r.row, `${r.part}.${r.right}`)
  }
  return out
}

/** Where everything stands, without a name. */
const placesOf = (machine: Machine) =>
  ladderOf(machine).circuits.map((c) => ({
    ...c,
    feed: '',
    return: '',
    rungs: c.rungs.map(({ part, row, column, to }) => ({ part, row, column, to })),
  }))

describe('the ladders of a machine', () => {
  it.each(machines)(
    '$id: every contact and load is on one rung, and the lines join what the sheet joins',
    ({ machine }) => {
      const { parts, kinds } = machine
      const { circuits } = ladderOf(machine)
      const drawn = circuits.flatMap((c) => c.rungs.map((r) => [r.part, ...[r.left, r.right].sort()].join()))
      expect(new Set(drawn).size).toBe(drawn.length)
      // Whatever has two ends that something is wired to stands on a rung, but for sources and for what no hand can part.
      const shared = (node: number) => parts.filter((p) => Object.values(p.nodes).includes(node)).length > 1
      for (const { index, id, nodes } of parts) {
        if (kinds[index].isPlace || kinds[index].returns || Object.values(nodes).filter(shared).length < 2) continue
        expect(
          drawn.some((d) => d.startsWith(`${index},`)),
          id,
        ).toBe(true)
      }
      for (const circuit of circuits)
        for (const [node, ends] of endsByLine(circuit))
          for (const end of ends) {
            const [part, terminal] = end.split('.')
            expect(parts[Number(part)].nodes[terminal], end).toBe(node)
          }
      // Two lines of one row share no stretch of it.
      for (const { rungs } of circuits)
        for (const [i, a] of rungs.entries())
          for (const b of rungs.slice(i + 1))
            if (a.row === b.row) expect(a.to <= b.column || b.to <= a.column).toBe(true)
    },
  )
  it('stand the same whatever the names', () => {
    for (const { id } of machines) {
      const [[whole], [renamed]] = underEveryName(id)
      expect(placesOf(buildMachine(sheetOf(renamed)))).toEqual(placesOf(buildMachine(sheetOf(whole))))
    }
  })
})

describe('the piece that a test is about', () => {
  it.each(machines)('$id: has its own part in it, and shows every tip where the instruction puts it', ({ id }) => {
    const { catalogue } = shippedPredictor(id)
    const { machine, procedures } = catalogue
    let shown = 0
    for (const p of procedures) {
      const piece = pieceOf(machine, p)
      const { measurement: m } = p
      if (!piece) {
        // What is read off the whole machine, or a place that stands between conductors.
        if ('part' in m)
          expect(machine.kinds[m.part].terminals.length === 0 || machine.kinds[m.part].isPlace, p.id).toBe(true)
        continue
      }
      shown++
      expect(piece.joints).toHaveLength(piece.boxes.length - 1)
      expect(
        piece.boxes.some((b) => b.type === 'own' && 'part' in m && b.part === m.part),
        p.id,
      ).toBe(true)
      const ends = piece.joints.flatMap((j) => [j.left, j.right]).filter((e) => e?.tool)
      const at = (tool: string) => ends.filter((e) => e!.tool === tool)
      if ((m.type === 'volts' || m.type === 'ohms') && 'a' in m) {
        expect(
          at('first-tip').map((e) => `${e!.part}.${e!.end}`),
          p.id,
        ).toEqual([`${m.part}.${m.a}`])
        const back = machine.returnAt[machine.parts[m.part].nodes[m.a]]
        const second = m.b === '@return' ? `${back!.part}.${back!.terminal}` : `${m.part}.${m.b}`
        expect(
          at('second-tip').map((e) => `${e!.part}.${e!.end}`),
          p.id,
        ).toEqual([second])
      }
      if (m.type === 'amps') expect(at('clamp'), p.id).toHaveLength(1)
      if (m.type === 'bucket') expect(at('bucket'), p.id).toHaveLength(1)
      expect(describePiece(machine, piece).text).not.toMatch(/undefined|@/)
    }
    expect(shown).toBeGreaterThan(procedures.length / 2)
  })
})
