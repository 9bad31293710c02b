import type { Dimension, Quantity } from '../../foundation/quantity'
import type { Part } from '../kinds'
import type { Sheet, SheetPart, TerminalRef } from '../sheet'
import { NodeNumbers } from './number-nodes'
import type { Param } from './types'

/** What an unwritten ± stands for, as a share of the value (two standard deviations); other dimensions are exact. */
const UNWRITTEN_TOLERANCE: Partial<Record<Dimension, number>> = {
  resistance: 0.06,
  inductance: 0.15,
  flow: 0.15,
  pressure: 0.1,
  capacitance: 0.1,
}

const standardDeviation = (q: Quantity): number =>
  (q.halfWidth ?? Math.abs(q.value) * (UNWRITTEN_TOLERANCE[q.dimension] ?? 0)) / 2

/** The parts of a sheet with their places in the flat arrays, and those arrays. */
export interface IndexedParts {
  parts: Part[]
  partIndex: ReadonlyMap<string, number>
  params: Param[]
  modes: number[]
  modeOwner: number[]
  staying: number[]
  stateStarts: number[]
  stateTolerance: number[]
  nodes: { count: number; labels: string[] }
  waterNodes: { count: number; labels: string[] }
}

function indexPart(p: SheetPart, index: number, to: IndexedParts): Part {
  const { params, modes, stateStarts } = to
  const part: Part = {
    index,
    id: p.id,
    title: p.title,
    kind: p.kind.id,
    line: p.kind.line,
    panel: p.panel,
    untested: p.untested,
    nodes: {},
    ports: {},
    param: {},
    mode: {},
    state: {},
    ref: {},
    choice: p.choices,
  }
  for (const [name, q] of Object.entries(p.params)) part.param[name] = addParam(params, `${p.id}.${name}`, q)
  for (const mode of p.kind.modes ?? []) {
    part.mode[mode.name] = modes.length
    if (mode.stays) to.staying.push(modes.length)
    modes.push(typeof mode.initial === 'number' ? mode.initial : mode.values.indexOf(p.choices[mode.initial.choice]))
    to.modeOwner.push(index)
  }
  for (const state of p.kind.states ?? []) {
    part.state[state.name] = stateStarts.length
    to.stateTolerance.push(state.tolerance)
    stateStarts.push(state.initialParam === undefined ? -1 : part.param[state.initialParam])
  }
  for (const [name, target] of Object.entries(p.refs)) part.ref[name] = to.partIndex.get(target)!
  return part
}

function addParam(params: Param[], id: string, q: Quantity): number {
  const index = params.length
  params.push({ index, id, dimension: q.dimension, nominal: q.value, sd: standardDeviation(q) })
  return index
}

/** Numbers the nodes of one medium and writes them into the parts. */
function numberNodes(
  sheet: Sheet,
  { parts, partIndex }: IndexedParts,
  medium: 'nodes' | 'ports',
): { count: number; labels: string[] } {
  const numbers = new NodeNumbers()
  sheet.parts.forEach(({ id, kind }, i) => {
    for (const end of medium === 'nodes' ? kind.terminals : kind.ports)
      parts[i][medium][end] = numbers.add(`${id}.${end}`)
  })
  const node = (r: TerminalRef) => parts[partIndex.get(r.part)!][medium][r.terminal]
  for (const { joints } of medium === 'nodes' ? sheet.wiring : sheet.water)
    for (const [a, b] of joints) numbers.join(node(a), node(b))
  const closed = numbers.close()
  for (const p of parts) for (const end of Object.keys(p[medium])) p[medium][end] = closed.of(p[medium][end])
  return closed
}

/** Gives every part, param, mode, state and node of a sheet its number, in the order of writing. */
export function indexParts(sheet: Sheet): IndexedParts {
  const to: IndexedParts = {
    parts: [],
    partIndex: new Map(sheet.parts.map((p, i) => [p.id, i])),
    params: [],
    modes: [],
    modeOwner: [],
    staying: [],
    stateStarts: [],
    stateTolerance: [],
    nodes: { count: 0, labels: [] },
    waterNodes: { count: 0, labels: [] },
  }
  addParam(to.params, 'ambient', sheet.ambient)
  sheet.parts.forEach((p, index) => to.parts.push(indexPart(p, index, to)))
  to.nodes = numberNodes(sheet, to, 'nodes')
  to.waterNodes = numberNodes(sheet, to, 'ports')
  return to
}
