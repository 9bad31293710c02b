import type { Picture, Run } from '../../../core/diagram/layout'

export interface Point {
  x: number
  y: number
}

/** Sizes of a picture on the screen, px: it runs across, or down where the screen is narrow. */
export interface Box {
  upright: boolean
  /** From rank to rank. */
  along: number
  /** From row to row. */
  across: number
  nodeW: number
  nodeH: number
  width: number
  height: number
}

export function boxOf({ ranks, rows }: Picture, width: number, upright: boolean): Box {
  const count = ranks.most - ranks.least + 1
  if (upright) {
    const w = Math.min(150, width / rows)
    return { upright, along: 47, across: w, nodeW: w - 8, nodeH: 37, width, height: count * 47 + 4 }
  }
  const step = Math.max(86, width / count)
  return {
    upright,
    along: step,
    across: 49,
    nodeW: Math.min(step - (step < 100 ? 10 : 18), 120),
    nodeH: 42,
    width: step * count,
    height: rows * 49 + 4,
  }
}

/** Where each part of a picture stands. */
export function pointsOf({ spots, ranks, rows }: Picture, { upright, along, across, width }: Box): Map<number, Point> {
  const pad = upright ? (width - rows * across) / 2 : 0
  return new Map(
    spots.map(({ part, rank, row }) => {
      const u = (rank - ranks.least + 0.5) * along
      const v = (row + 0.5) * across + pad
      return [part, upright ? { x: v, y: u } : { x: u, y: v }]
    }),
  )
}

/** Where a line to the return of the supply ends, beside the part that it comes from. */
export const returnOf = ({ x, y }: Point, { upright, along }: Box): Point =>
  upright ? { x, y: y + along * 0.85 } : { x: x + along * 0.85, y }

/** Straight along the lane, bending only beside the part that feeds it. */
function bend(from: number, end: number, along: number): { k: number; c: number } {
  const k = Math.abs(from - end) > along ? from - Math.sign(from - end) * along : end
  return { k, c: (k + from) / 2 }
}

/** A line as the path of a drawing. */
export function curveOf(line: Run['line'], a: Point, b: Point, { upright, along, nodeW }: Box): string {
  const same = upright ? Math.abs(a.y - b.y) < 1 : Math.abs(a.x - b.x) < 1
  if (same) {
    // Down from a valve into its vessel, beside whatever stands between.
    const off = line === 'water' ? -nodeW * 0.38 : nodeW * 0.3
    return upright ? `M${a.x} ${a.y + off * 0.3}L${b.x} ${b.y + off * 0.3}` : `M${a.x + off} ${a.y}L${b.x + off} ${b.y}`
  }
  if (upright) {
    const { k, c } = bend(a.y, b.y, along)
    return `M${b.x} ${b.y}L${b.x} ${k}C${b.x} ${c} ${a.x} ${c} ${a.x} ${a.y}`
  }
  const { k, c } = bend(a.x, b.x, along)
  return `M${b.x} ${b.y}L${k} ${b.y}C${c} ${b.y} ${c} ${a.y} ${a.x} ${a.y}`
}

/** A title on the lines that a node has room for, two at most. */
export function wrapTitle(title: string, { upright, nodeW }: Box): string[] {
  const room = Math.max(8, Math.floor(nodeW / (upright ? 6.1 : 6.6)))
  const lines: string[] = []
  for (const word of title.split(' ')) {
    const last = lines.at(-1)
    if (last !== undefined && `${last} ${word}`.length <= room) lines[lines.length - 1] = `${last} ${word}`
    else lines.push(word)
  }
  const [first, second, ...rest] = lines
  return first !== undefined && second !== undefined && rest.length ? [first, `${second.slice(0, room - 1)}…`] : lines
}
