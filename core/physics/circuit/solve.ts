import { problem } from '../../foundation/issues'
import { InputError } from '../../foundation/result'
import { admittanceOf, newAdmittance, type Analysis, type Component } from './components'
import { DisjointSets } from '../../foundation/disjoint-sets'
import { factorInPlace, solveInPlace, type Factor } from '../../foundation/linear'

/**
 * One solved network: nodal analysis at one frequency, or DC.
 *
 * Parts of the network that hang in the air are each tied to zero at one of their nodes; no current flows
 * in that tie, so voltages inside such a part are exact, and between two parts a meter reads nothing.
 */
export interface Solution {
  analysis: Analysis
  omega: number
  components: readonly Component[]
  /** Node voltages relative to the tie of the node's own island. */
  re: Float64Array
  im: Float64Array
  island: Int32Array
  /** Parts of the matrix that do not touch each other, each factored by itself. */
  blocks: Factor[]
  /** Block of each node. */
  block: Int32Array
  /** Row of each node in the matrix of its block, -1 for the tied node of an island. */
  row: Int32Array
}

/** The block of a node that nothing hangs on: most nodes of a machine that is switched off. */
const LONE: Factor = { n: 0, re: new Float64Array(0), im: new Float64Array(0) }

/** Nodes between which current can flow, by the lowest of them. */
function islandsOf(nodes: number, components: readonly Component[], analysis: Analysis): Int32Array {
  const sets = new DisjointSets(nodes)
  for (const c of components) {
    if (c.type === 'RECT') {
      if (analysis === 'dc') sets.join(c.c, c.d)
      else if (Number.isFinite(c.load)) sets.join(c.a, c.b)
    } else if (analysis !== 'dc' || c.type !== 'RC') {
      sets.join(c.a, c.b)
      if (c.type === 'T') sets.join(c.c, c.d)
    }
  }
  return sets.representatives()
}

/** Islands that a transformer couples, by the lowest of them: one block of the matrix; the others never meet. */
function blocksOf(island: Int32Array, components: readonly Component[], analysis: Analysis): Int32Array {
  if (analysis === 'dc' || !components.some((c) => c.type === 'T')) return island
  const sets = new DisjointSets(island.length)
  for (const c of components) if (c.type === 'T') sets.join(island[c.a], island[c.c])
  return sets.representatives()
}

/**
 * Solves the network.
 *
 * @param nodes number of nodes; components refer to 0 … nodes-1
 * @param omega angular frequency in rad/s (ignored for DC)
 * @throws InputError `floating-node` naming the node when the matrix is singular (cannot happen for positive ohms)
 */
export function solveCircuit(
  nodes: number,
  components: readonly Component[],
  analysis: Analysis,
  omega: number,
): Solution {
  const island = islandsOf(nodes, components, analysis)
  const root = blocksOf(island, components, analysis)
  const row = new Int32Array(nodes).fill(-1)
  const block = new Int32Array(nodes).fill(-1)
  const sizes: number[] = []
  for (let i = 0; i < nodes; i++) {
    const first = root[island[i]]
    // The root of a block is its lowest node, so it has been numbered already.
    block[i] = first === i ? sizes.push(0) - 1 : block[first]
    if (island[i] !== i) row[i] = sizes[block[i]]++
  }
  const solution: Solution = {
    analysis,
    omega,
    components,
    island,
    blocks: sizes.map((n): Factor => (n ? { n, re: new Float64Array(n * n), im: new Float64Array(n * n) } : LONE)),
    block,
    row,
    re: new Float64Array(nodes),
    im: new Float64Array(nodes),
  }
  assemble(solution, components)
  updateSources(solution, components)
  return solution
}

/** Fills and factors the blocks of a solution, all of them or the ones named. Mutates the blocks. */
function assemble(
  { analysis, omega, row, block, blocks }: Solution,
  components: readonly Component[],
  only?: ReadonlySet<number>,
): void {
  blocks.forEach(({ re, im }, k) => {
    if (only && !only.has(k)) return
    re.fill(0)
    im.fill(0)
  })
  const y = newAdmittance()
  // The lower triangle alone is kept.
  const add = (p: number, q: number, gr: number, gi: number) => {
    const i = row[p]
    const j = row[q]
    if (i < 0 || j < 0 || (only && !only.has(block[p]))) return
    const { n, re, im } = blocks[block[p]]
    const at = i < j ? j * n + i : i * n + j
    re[at] += gr
    im[at] += gi
  }
  const branch = (a: number, b: number, gr: number, gi: number) => {
    if (a === b) return
    add(a, a, gr, gi)
    add(b, b, gr, gi)
    add(a, b, -gr, -gi)
  }
  for (const c of components) {
    if (c.a === c.b && c.type !== 'T' && c.type !== 'RECT') continue
    admittanceOf(c, analysis, omega, y)
    branch(c.a, c.b, y.re, y.im)
    if (c.type === 'RECT') branch(c.c, c.d, y.re22, 0)
    if (c.type === 'T') {
      branch(c.c, c.d, y.re22, y.im22)
      if (analysis === 'dc') continue
      for (const [p, q, sign] of [
        [c.a, c.c, 1],
        [c.b, c.d, 1],
        [c.a, c.d, -1],
        [c.b, c.c, -1],
      ] as const) {
        // A node that both windings share takes the transfer from either side.
        const twice = p === q ? 2 : 1
        add(p, q, twice * sign * y.re12, twice * sign * y.im12)
      }
    }
  }
  blocks.forEach((factor, k) => {
    if (only && !only.has(k)) return
    const bad = factorInPlace(factor)
    if (bad < 0) return
    const node = row.findIndex((r, i) => r === bad && block[i] === k)
    throw new InputError([
      problem('floating-node', ['circuit', node], {
        found: 'no way for current to return from it',
        expected: 'a closed loop',
      }),
    ])
  })
}

/**
 * Solves again where some resistances have changed as well as source voltages: only the blocks of the matrix that
 * the changed components lie in are factored anew. Mutates the solution. Cost n³/3 of those blocks.
 *
 * @param changed the components whose resistance has changed, as they are now
 */
export function updateResistances(
  solution: Solution,
  components: readonly Component[],
  changed: readonly Component[],
): void {
  assemble(solution, components, new Set(changed.map((c) => solution.block[c.a])))
  updateSources(solution, components)
}

/**
 * Solves again for changed source voltages on the same network (`components` must differ in `volts` alone).
 * Mutates `solution.re` and `solution.im`. Cost n².
 */
export function updateSources(solution: Solution, components: readonly Component[]): void {
  const { row, block, blocks, analysis, omega } = solution
  const driven: ({ re: Float64Array; im: Float64Array } | undefined)[] = blocks.map(() => undefined)
  const y = newAdmittance()
  for (const c of components) {
    if (c.type !== 'VAC' && c.type !== 'VDC' && c.type !== 'RECT') continue
    const { amps } = admittanceOf(c, analysis, omega, y)
    if (amps === 0) continue
    const [plus, minus] = c.type === 'RECT' ? [c.c, c.d] : [c.a, c.b]
    const { n } = blocks[block[plus]]
    const { re } = (driven[block[plus]] ??= { re: new Float64Array(n), im: new Float64Array(n) })
    if (row[plus] >= 0) re[row[plus]] += amps
    if (row[minus] >= 0) re[row[minus]] -= amps
  }
  driven.forEach((x, k) => x && solveInPlace(blocks[k], x.re, x.im))
  for (let i = 0; i < row.length; i++) {
    const x = row[i] < 0 ? undefined : driven[block[i]]
    solution.re[i] = x ? x.re[row[i]] : 0
    solution.im[i] = x ? x.im[row[i]] : 0
  }
}
