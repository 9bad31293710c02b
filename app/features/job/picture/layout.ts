import type { TracedLines } from '../../../../core/diagram'

/** A part in the picture, on an abstract grid: rank along the lines (0 where they meet), row across them. */
export interface Spot {
  part: number
  rank: number
  row: number
}

export interface Run {
  /** Parts, or -1 for the return of the supply. */
  from: number
  to: number
  line: 'water' | 'power' | 'level' | 'return'
}

export interface Picture {
  spots: Spot[]
  runs: Run[]
  ranks: { least: number; most: number }
  rows: number
}

/**
 * Places the lines of a machine: water comes from the low ranks, power from the high ones, they meet at rank 0;
 * under the lanes stands the vessel, whose level line goes back towards the control. Pure; knows no machine.
 *
 * @param shown lanes to draw (by centre); all when left out
 */
export function layoutPicture({ lanes: all, levels: allLevels }: TracedLines, shown?: ReadonlySet<number>): Picture {
  const lanes = shown ? all.filter((l) => shown.has(l.center)) : all
  const spots = new Map<number, Spot & { rows: number[] }>()
  const runs: Run[] = []
  const run = (from: number, to: number, line: Run['line']) => {
    if (!runs.some((r) => r.from === from && r.to === to && r.line === line)) runs.push({ from, to, line })
  }
  const put = (part: number, rank: number, row: number) => {
    const s = spots.get(part)
    if (!s) spots.set(part, { part, rank, row, rows: [row] })
    else if (!s.rows.includes(row)) s.rows.push(row)
  }
  const longest = Math.max(1, ...lanes.map((l) => l.feed.length))
  // Loads without water stand last, clear of the water that falls into the vessel.
  const dry = (l: (typeof lanes)[number]) => !l.empties && !l.water.length && l.vessel === undefined
  const supplies = lanes.filter((l) => !l.empties && !dry(l))
  const drains = [...lanes.filter((l) => l.empties), ...lanes.filter(dry)]
  let row = 0
  const backRow = new Map<number, number>()

  const draw = (lane: (typeof lanes)[number], at: number) => {
    put(lane.center, 0, at)
    lane.water.forEach((p, i) => {
      put(p, i - lane.water.length, at)
      run(p, lane.water[i + 1] ?? lane.center, 'water')
    })
    let from = lane.center
    lane.waterOut.forEach((p, i) => {
      put(p, -1 - i, at)
      run(from, p, 'water')
      from = p
    })
    lane.feed.forEach((p, i) => {
      put(p, longest - i, at)
      run(p, lane.feed[i + 1] ?? lane.center, 'power')
    })
  }
  supplies.forEach((lane, i) => {
    draw(lane, row++)
    // A return that several lanes share stands under the last of them.
    const own = lane.back.filter((p) => !supplies.slice(i + 1).some((l) => l.back.includes(p)))
    if (own.length) {
      own.forEach((p, k) => {
        put(p, k + 1, row)
        backRow.set(p, row)
      })
      row++
    }
  })
  const vessels = [...new Set([...allLevels.map((l) => l.vessel), ...lanes.flatMap((l) => l.vessel ?? [])])].filter(
    // Where room is short, water that only runs on has said enough at the valve.
    (v) => !shown || allLevels.some((l) => l.vessel === v) || lanes.some((l) => l.empties && l.vessel === v),
  )
  for (const vessel of vessels) {
    const levels = allLevels.filter((l) => l.vessel === vessel)
    put(vessel, 0, row)
    for (const lane of supplies) if (lane.vessel === vessel) run(lane.center, vessel, 'water')
    if (!levels.length) row++
    for (const { chain } of levels) {
      chain.forEach((p, k) => {
        put(p, k + 1, row)
        run(k ? chain[k - 1] : vessel, p, 'level')
      })
      row++
    }
  }
  for (const lane of drains) {
    if (lane.vessel !== undefined && spots.has(lane.vessel)) run(lane.vessel, lane.center, 'water')
    draw(lane, row++)
    lane.back.forEach((p, k) => {
      if (spots.has(p)) return
      put(p, k + 1, row)
      backRow.set(p, row++)
    })
  }
  for (const lane of lanes) {
    let from = lane.center
    for (const p of lane.back) {
      run(from, p, 'return')
      from = p
    }
    if (lane.back.length) run(from, -1, 'return')
  }
  // A part of several lanes stands in their middle; two that would overlap are pushed apart.
  const placed = [...spots.values()].map((s) => ({
    part: s.part,
    rank: s.rank,
    row: s.rows.reduce((a, b) => a + b, 0) / s.rows.length,
  }))
  const ranks = [...new Set(placed.map((s) => s.rank))]
  for (const rank of ranks) {
    const column = placed.filter((s) => s.rank === rank).sort((a, b) => a.row - b.row)
    for (let i = 1; i < column.length; i++)
      if (column[i].row < column[i - 1].row + 0.95) column[i].row = column[i - 1].row + 1
  }
  const top = Math.min(...placed.map((s) => s.row))
  return {
    spots: placed.map((s) => ({ ...s, row: s.row - top })),
    runs,
    ranks: { least: Math.min(...ranks), most: Math.max(...ranks) },
    rows: Math.max(...placed.map((s) => s.row)) - top + 1,
  }
}
