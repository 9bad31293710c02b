import type { TracedLine, TracedLines } from '..'

/** A part in the picture, on an abstract grid: rank along the lines (0 where they meet), row across them. */
export interface Spot {
  part: number
  rank: number
  row: number
}

/** A line from one part to the next. */
export interface Run {
  /** Parts, or -1 for the return of the supply. */
  from: number
  to: number
  line: 'water' | 'power' | 'level' | 'return'
}

/** Two parts of a rank that stand nearer than this, in rows, are pushed apart. */
const NEAREST = 0.95

export interface Picture {
  spots: Spot[]
  runs: Run[]
  ranks: { least: number; most: number }
  rows: number
}

/** The picture while it is drawn, row after row from the top. */
class Drawing {
  readonly runs: Run[] = []
  private readonly spots = new Map<number, { part: number; rank: number; rows: number[] }>()
  private row = 0

  constructor(private readonly longestFeed: number) {}

  has(part: number): boolean {
    return this.spots.has(part)
  }
  run(from: number, to: number, line: Run['line']): void {
    if (!this.runs.some((r) => r.from === from && r.to === to && r.line === line)) this.runs.push({ from, to, line })
  }
  nextRow(): void {
    this.row++
  }
  put(part: number, rank: number): void {
    const s = this.spots.get(part)
    if (!s) this.spots.set(part, { part, rank, rows: [this.row] })
    else if (!s.rows.includes(this.row)) s.rows.push(this.row)
  }
  lane(lane: TracedLine): void {
    this.put(lane.center, 0)
    lane.water.forEach((p, i) => {
      this.put(p, i - lane.water.length)
      this.run(p, lane.water[i + 1] ?? lane.center, 'water')
    })
    let from = lane.center
    lane.waterOut.forEach((p, i) => {
      this.put(p, -1 - i)
      this.run(from, p, 'water')
      from = p
    })
    lane.feed.forEach((p, i) => {
      this.put(p, this.longestFeed - i)
      this.run(p, lane.feed[i + 1] ?? lane.center, 'power')
    })
    this.nextRow()
  }
  returnOf({ center, back }: TracedLine): void {
    let from = center
    for (const p of back) {
      this.run(from, p, 'return')
      from = p
    }
    if (back.length) this.run(from, -1, 'return')
  }
  vessel(vessel: number, levels: TracedLines['levels'], supplies: readonly TracedLine[]): void {
    this.put(vessel, 0)
    for (const lane of supplies) if (lane.vessel === vessel) this.run(lane.center, vessel, 'water')
    if (!levels.length) this.nextRow()
    for (const { chain } of levels) {
      chain.forEach((p, k) => {
        this.put(p, k + 1)
        this.run(k ? chain[k - 1] : vessel, p, 'level')
      })
      this.nextRow()
    }
  }
  /** A part of several lanes stands in their middle; two that would overlap are pushed apart. */
  picture(): Picture {
    const placed = [...this.spots.values()].map(({ part, rank, rows }) => ({
      part,
      rank,
      row: rows.reduce((a, b) => a + b, 0) / rows.length,
    }))
    const ranks = [...new Set(placed.map((s) => s.rank))]
    for (const rank of ranks) {
      const column = placed.filter((s) => s.rank === rank).sort((a, b) => a.row - b.row)
      for (let i = 1; i < column.length; i++)
        if (column[i].row < column[i - 1].row + NEAREST) column[i].row = column[i - 1].row + 1
    }
    const top = Math.min(...placed.map((s) => s.row))
    return {
      spots: placed.map((s) => ({ ...s, row: s.row - top })),
      runs: this.runs,
      ranks: { least: Math.min(...ranks), most: Math.max(...ranks) },
      rows: Math.max(...placed.map((s) => s.row)) - top + 1,
    }
  }
}

/** Loads without water stand last, clear of the water that falls into the vessel. */
const isDry = (l: TracedLine): boolean => !l.empties && !l.water.length && l.vessel === undefined

/**
 * Places the lines of a machine: water comes from the low ranks, power from the high ones, they meet at rank 0;
 * under the lanes stands the vessel, whose level line goes back towards the control. Pure; knows no machine.
 */
export function layoutPicture({ lanes, levels: allLevels }: TracedLines): Picture {
  const drawing = new Drawing(Math.max(1, ...lanes.map((l) => l.feed.length)))
  const supplies = lanes.filter((l) => !l.empties && !isDry(l))
  const drains = [...lanes.filter((l) => l.empties), ...lanes.filter(isDry)]

  supplies.forEach((lane, i) => {
    drawing.lane(lane)
    // A return that several lanes share stands under the last of them.
    const own = lane.back.filter((p) => !supplies.slice(i + 1).some((l) => l.back.includes(p)))
    own.forEach((p, k) => drawing.put(p, k + 1))
    if (own.length) drawing.nextRow()
  })
  const vessels = new Set([...allLevels.map((l) => l.vessel), ...lanes.flatMap((l) => l.vessel ?? [])])
  for (const vessel of vessels) {
    const levels = allLevels.filter((l) => l.vessel === vessel)
    drawing.vessel(vessel, levels, supplies)
  }
  for (const lane of drains) {
    if (lane.vessel !== undefined && drawing.has(lane.vessel)) drawing.run(lane.vessel, lane.center, 'water')
    drawing.lane(lane)
    lane.back.forEach((p, k) => {
      if (drawing.has(p)) return
      drawing.put(p, k + 1)
      drawing.nextRow()
    })
  }
  for (const lane of lanes) drawing.returnOf(lane)
  return drawing.picture()
}
