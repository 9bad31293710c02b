import type { LadderCircuit, LadderNet, LadderRung } from './types'
import { ranksOf, type Chain } from './trace-rungs'

/** Columns tried before a net is left where it is. */
const MOST_PUSHES = 200

/** Rows from the first to the last that each net has an end in. */
function rowsOf(chains: readonly Chain[], feed: number, back: number): Map<number, [number, number]> {
  const rows = new Map<number, [number, number]>()
  const meet = (node: number, row: number) => {
    const [first, last] = rows.get(node) ?? [row, row]
    rows.set(node, [Math.min(first, row), Math.max(last, row)])
  }
  chains.forEach(({ start, steps }, row) => {
    meet(start, row)
    for (const { to } of steps) meet(to, row)
  })
  for (const rail of [feed, back]) rows.set(rail, [0, Math.max(0, chains.length - 1)])
  return rows
}

/** Two nets of one column whose rows meet would look joined: the one that comes later stands a column further right. */
function columnsOf(
  chains: readonly Chain[],
  rows: ReadonlyMap<number, readonly [number, number]>,
  feed: number,
  back: number,
): Map<number, number> {
  const least = new Map<number, number>()
  for (let push = 0; ; push++) {
    const rank = pushedRanks(chains, feed, back, least)
    const clash = clashOf(rank, rows, back)
    if (clash === undefined || push > MOST_PUSHES) return rank
    least.set(clash, rank.get(clash)! + 1)
  }
}

function pushedRanks(
  chains: readonly Chain[],
  feed: number,
  back: number,
  least: ReadonlyMap<number, number>,
): Map<number, number> {
  // A node that is pushed is led to by a chain of its own, that long, of nodes without a name.
  const pushes = [...least].map(([node, columns], k): Chain => ({
    start: feed,
    steps: Array.from({ length: columns }, (_, i) => ({
      branch: { part: -1, a: '', b: '', from: -1, to: -1 },
      to: i === columns - 1 ? node : -1 - k * MOST_PUSHES - i,
    })),
  }))
  const rank = ranksOf([...chains, ...pushes], feed, back)
  return new Map([...rank].filter(([node]) => node >= 0))
}

function clashOf(
  rank: ReadonlyMap<number, number>,
  rows: ReadonlyMap<number, readonly [number, number]>,
  back: number,
): number | undefined {
  const nodes = [...rank.keys()].filter((n) => n !== back && rows.has(n))
  for (const [i, one] of nodes.entries())
    for (const other of nodes.slice(i + 1)) {
      if (rank.get(one) !== rank.get(other)) continue
      const [a, b] = [rows.get(one)!, rows.get(other)!]
      if (a[0] <= b[1] && b[0] <= a[1]) return other
    }
  return undefined
}

/** Places rungs and nets of one circuit: a row for each chain, a column for each net. */
export function layoutCircuit(
  chains: readonly Chain[],
  feed: number,
  back: number,
): Pick<LadderCircuit, 'rungs' | 'nets' | 'columns' | 'rows'> {
  const rows = rowsOf(chains, feed, back)
  const column = columnsOf(chains, rows, feed, back)
  const rungs = chains.flatMap(({ start, steps }, row) => {
    let from = start
    return steps.map(({ branch: { part, a, b, from: first }, to }): LadderRung => {
      const [left, right] = first === from ? [a, b] : [b, a]
      const rung = { part, left, right, row, column: column.get(from)!, to: column.get(to)! }
      from = to
      return rung
    })
  })
  const nets = [...rows].map(([node, [fromRow, toRow]]): LadderNet => ({
    node,
    column: column.get(node)!,
    fromRow,
    toRow,
  }))
  return { rungs, nets, columns: column.get(back)!, rows: Math.max(1, chains.length) }
}
