import type { Picture, Run } from './layout-picture'

export interface Point {
  x: number
  y: number
}

/** A picture on its canvas, px: boxes by their middles, lines round them. Made once for a machine and never moved. */
export interface DrawnPicture {
  width: number
  height: number
  /** Size of every box. */
  box: { width: number; height: number }
  boxes: ({ part: number } & Point)[]
  /** From the edge of one box to that of another, in the direction of water, power or level; with its corners. */
  lines: { line: Run['line']; from: number; to: number; points: Point[] }[]
  /** Parts whose line goes back to the return of the supply. */
  returns: number[]
}

/** Sizes of the canvas, px. Between two columns run the lanes of `GUTTERS`, from the edge of the left box. */
const BOX = { width: 132, height: 58 }
const COLUMN = 182
const ROW = 78
const GUTTERS = [11, 25, 39]
/** Lines above and below a box run so far from its edge. */
const BESIDE = 8
/** Nothing comes nearer to a box that it does not join. */
const CLEAR = 3
const MARGIN = 16

/** What a way costs beside its length, px. */
const COST = { bend: 26, crossing: 10, shared: 60, joined: -0.35, otherSide: 40, endwise: 34 }

type Direction = 0 | 1 | 2 | 3
const STEPS: readonly { dx: number; dy: number }[] = [
  { dx: 1, dy: 0 },
  { dx: 0, dy: 1 },
  { dx: -1, dy: 0 },
  { dx: 0, dy: -1 },
]

/** Numbers in rising order, those nearer than 3 px to another left out. */
const spaced = (list: readonly number[]): number[] =>
  [...list].sort((a, b) => a - b).filter((v, i, all) => i === 0 || v - all[i - 1] >= 3)

interface Lane {
  line: Run['line']
  from: number
  to: number
}

/** The ways that lines may take: columns and rows between the boxes, with what runs on them already. */
class Ways {
  readonly xs: number[]
  readonly ys: number[]
  private readonly blocked: Uint8Array
  /** Lanes on the step from a node to the right, and down. */
  private readonly across = new Map<number, Lane[]>()
  private readonly down = new Map<number, Lane[]>()

  constructor(boxes: readonly Point[]) {
    const columns = [...new Set(boxes.map((b) => b.x))]
    const half = { x: BOX.width / 2, y: BOX.height / 2 }
    this.xs = spaced(columns.flatMap((x) => [x - half.x - GUTTERS[0], x, ...GUTTERS.map((g) => x + half.x + g)]))
    this.ys = spaced([...new Set(boxes.map((b) => b.y))].flatMap((y) => [y, y - half.y - BESIDE, y + half.y + BESIDE]))
    // A row that lies too near to another may be lost to it: rows of boxes themselves never are.
    for (const { y } of boxes) if (!this.ys.includes(y)) this.ys[this.nearest(this.ys, y)] = y
    this.blocked = new Uint8Array(this.xs.length * this.ys.length)
    for (const b of boxes)
      this.xs.forEach((x, i) => {
        if (Math.abs(x - b.x) >= half.x + CLEAR) return
        this.ys.forEach((y, j) => {
          if (Math.abs(y - b.y) < half.y + CLEAR) this.blocked[this.node(i, j)] = 1
        })
      })
  }
  private nearest(list: readonly number[], v: number): number {
    let best = 0
    list.forEach((w, i) => {
      if (Math.abs(w - v) < Math.abs(list[best] - v)) best = i
    })
    return best
  }
  node(i: number, j: number): number {
    return j * this.xs.length + i
  }
  at(node: number): Point {
    return { x: this.xs[node % this.xs.length], y: this.ys[Math.floor(node / this.xs.length)] }
  }
  isFree(i: number, j: number): boolean {
    return i >= 0 && j >= 0 && i < this.xs.length && j < this.ys.length && !this.blocked[this.node(i, j)]
  }
  /** The node before one side of a box, 0 right, 1 below, 2 left, 3 above; `undefined` where something stands in the way. */
  before({ x, y }: Point, side: Direction): number | undefined {
    const { dx, dy } = STEPS[side]
    const i = this.nearest(this.xs, x + dx * (BOX.width / 2 + GUTTERS[0]))
    const j = this.nearest(this.ys, y + dy * (BOX.height / 2 + BESIDE))
    return this.isFree(i, j) ? this.node(i, j) : undefined
  }
  private key(i: number, j: number, d: Direction): { map: Map<number, Lane[]>; step: number } {
    if (d === 0) return { map: this.across, step: this.node(i, j) }
    if (d === 2) return { map: this.across, step: this.node(i - 1, j) }
    return { map: this.down, step: d === 1 ? this.node(i, j) : this.node(i, j - 1) }
  }
  /** What a step costs: its length, more where another line runs there, less where one of its own kind and end does. */
  cost(i: number, j: number, d: Direction, own: Lane): number {
    const { dx, dy } = STEPS[d]
    const length = Math.abs(this.xs[i + dx] - this.xs[i]) + Math.abs(this.ys[j + dy] - this.ys[j])
    const { map, step } = this.key(i, j, d)
    const there = map.get(step) ?? []
    const joins = (l: Lane) => l.line === own.line && (l.from === own.from || l.to === own.to)
    if (there.some((l) => !joins(l))) return length + COST.shared
    const crossed = dx ? this.down.get(this.node(i + dx, j)) : this.across.get(this.node(i, j + dy))
    return length * (there.length ? 1 + COST.joined : 1) + (crossed?.some((l) => !joins(l)) ? COST.crossing : 0)
  }
  take(nodes: readonly number[], own: Lane): void {
    const width = this.xs.length
    for (let k = 1; k < nodes.length; k++) {
      const [a, b] = [Math.min(nodes[k - 1], nodes[k]), Math.max(nodes[k - 1], nodes[k])]
      const map = b - a === 1 && Math.floor(a / width) === Math.floor(b / width) ? this.across : this.down
      const there = map.get(a) ?? []
      there.push(own)
      map.set(a, there)
    }
  }
}

/** A heap of states by what they cost. */
class Heap {
  private readonly items: { state: number; cost: number }[] = []
  push(state: number, cost: number): void {
    const { items } = this
    let k = items.push({ state, cost }) - 1
    while (k > 0) {
      const up = (k - 1) >> 1
      if (items[up].cost <= items[k].cost) break
      ;[items[up], items[k]] = [items[k], items[up]]
      k = up
    }
  }
  pop(): { state: number; cost: number } | undefined {
    const { items } = this
    const [top] = items
    const last = items.pop()
    if (!items.length || !last) return top
    items[0] = last
    for (let k = 0; ;) {
      let least = k
      for (const c of [2 * k + 1, 2 * k + 2]) if (c < items.length && items[c].cost < items[least].cost) least = c
      if (least === k) return top
      ;[items[least], items[k]] = [items[k], items[least]]
      k = least
    }
  }
}

/** The sides at which a line may leave or reach a box, with what an unusual one costs. */
function sidesOf(a: Point, b: Point): { leave: number[]; reach: number[] } {
  const ahead = b.x > a.x + 1 ? 0 : b.x < a.x - 1 ? 2 : -1
  const leave = [0, 1, 2, 3].map((side) => {
    if (ahead === -1) return side % 2 ? (side === (b.y > a.y ? 1 : 3) ? 0 : COST.otherSide * 2) : COST.endwise
    return side === ahead ? 0 : side % 2 ? COST.endwise : COST.otherSide
  })
  return { leave, reach: [2, 3, 0, 1].map((opposite) => leave[opposite]) }
}

/** The cheapest way of one line; empty where there is none. */
function findWay(
  ways: Ways,
  a: Point,
  b: Point,
  own: Lane,
): { nodes: number[]; leave: Direction; reach: Direction } | undefined {
  const { leave, reach } = sidesOf(a, b)
  const best = new Map<number, number>()
  const cameFrom = new Map<number, number>()
  const heap = new Heap()
  const offer = (state: number, cost: number, from: number | undefined) => {
    if (cost >= (best.get(state) ?? Infinity)) return
    best.set(state, cost)
    if (from === undefined) cameFrom.delete(state)
    else cameFrom.set(state, from)
    heap.push(state, cost)
  }
  for (const side of [0, 1, 2, 3] as const) {
    const node = ways.before(a, side)
    if (node !== undefined) offer(node * 4 + side, leave[side], undefined)
  }
  const ends = new Map<number, Direction>()
  for (const side of [0, 1, 2, 3] as const) {
    const node = ways.before(b, side)
    if (node !== undefined) ends.set(node, side)
  }
  const width = ways.xs.length
  let goal: { state: number; cost: number } | undefined
  for (let top = heap.pop(); top; top = heap.pop()) {
    if (goal && top.cost >= goal.cost) break
    if (top.cost > (best.get(top.state) ?? Infinity)) continue
    const node = top.state >> 2
    const heading = (top.state & 3) as Direction
    const side = ends.get(node)
    if (side !== undefined) {
      // It turns into the box from the node before it.
      const turn = STEPS[heading].dx === -STEPS[side].dx && STEPS[heading].dy === -STEPS[side].dy ? 0 : COST.bend
      const cost = top.cost + reach[side] + turn
      if (!goal || cost < goal.cost) goal = { state: top.state, cost }
    }
    const [i, j] = [node % width, Math.floor(node / width)]
    for (const d of [0, 1, 2, 3] as const) {
      const [u, v] = [i + STEPS[d].dx, j + STEPS[d].dy]
      if ((d + 2) % 4 === heading || !ways.isFree(u, v)) continue
      const cost = top.cost + ways.cost(i, j, d, own) + (d === heading ? 0 : COST.bend)
      offer(ways.node(u, v) * 4 + d, cost, top.state)
    }
  }
  if (!goal) return undefined
  const states: number[] = []
  for (let s: number | undefined = goal.state; s !== undefined; s = cameFrom.get(s)) states.unshift(s)
  return { nodes: states.map((s) => s >> 2), leave: (states[0] & 3) as Direction, reach: ends.get(goal.state >> 2)! }
}

/** The corners of a way, from edge to edge. */
function cornersOf(points: readonly Point[]): Point[] {
  return points.filter((p, k) => {
    const [before, after] = [points[k - 1], points[k + 1]]
    if (!before || !after) return true
    return !(before.x === p.x && p.x === after.x) && !(before.y === p.y && p.y === after.y)
  })
}

const edgeOf = ({ x, y }: Point, side: Direction): Point => ({
  x: x + (STEPS[side].dx * BOX.width) / 2,
  y: y + (STEPS[side].dy * BOX.height) / 2,
})

/**
 * Draws a picture: every box at its place, every line round the boxes that it does not join. Pure.
 *
 * Short lines first, each by the cheapest way (Dijkstra over node and heading): bends, crossings and shared ground cost,
 * lines of one kind that begin or end together may run together.
 */
export function drawPicture({ spots, runs, ranks }: Picture): DrawnPicture {
  const boxes = spots.map(({ part, rank, row }) => ({
    part,
    x: MARGIN + BOX.width / 2 + (rank - ranks.least) * COLUMN,
    y: MARGIN + BOX.height / 2 + Math.round(row * ROW),
  }))
  const boxOf = new Map(boxes.map((b) => [b.part, b]))
  const ways = new Ways(boxes)
  const far = ({ from, to }: Run) => {
    const [a, b] = [boxOf.get(from)!, boxOf.get(to)!]
    return Math.abs(a.x - b.x) + Math.abs(a.y - b.y)
  }
  const drawn = runs
    .filter((r) => r.to !== -1 && boxOf.has(r.from) && boxOf.has(r.to))
    .sort((a, b) => far(a) - far(b))
    .flatMap((own) => {
      const [a, b] = [boxOf.get(own.from)!, boxOf.get(own.to)!]
      const way = findWay(ways, a, b, own)
      if (!way) return []
      ways.take(way.nodes, own)
      const points = [edgeOf(a, way.leave), ...way.nodes.map((n) => ways.at(n)), edgeOf(b, way.reach)]
      return [{ line: own.line, from: own.from, to: own.to, points: cornersOf(points) }]
    })
  const most = (of: 'x' | 'y') =>
    Math.max(...boxes.map((b) => b[of]), ...drawn.flatMap((l) => l.points.map((p) => p[of])))
  return {
    width: Math.max(most('x'), ...boxes.map((b) => b.x + BOX.width / 2)) + MARGIN,
    height: Math.max(most('y'), ...boxes.map((b) => b.y + BOX.height / 2)) + MARGIN,
    box: BOX,
    boxes,
    lines: drawn,
    returns: [...new Set(runs.filter((r) => r.to === -1).map((r) => r.from))],
  }
}
