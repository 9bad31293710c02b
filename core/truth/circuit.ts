import { WAVES, type Component } from '../physics/circuit'

/**
 * A plain second solver for circuits: nodal analysis with full complex Gaussian elimination and partial pivoting,
 * one dense matrix, nothing kept. Written apart from `core/physics/circuit` so that each can be held against the other.
 */
export interface PlainSolution {
  re: Float64Array
  im: Float64Array
  /** Lowest node of the part of the network that each node hangs together with. */
  island: Int32Array
}

/** Impedance of a two-terminal component as [re, im], Ω; `undefined` when it carries nothing at this frequency. */
function impedance(c: Component, omega: number): [number, number] | undefined {
  switch (c.type) {
    case 'R':
      return [c.ohms, 0]
    case 'RL':
      return [c.ohms, omega * c.henries]
    case 'RC':
      return omega === 0 ? undefined : [c.ohms, -1 / (omega * c.farads)]
    case 'VAC':
    case 'VDC':
      return [c.ohms, 0]
    case 'T':
    case 'RECT':
      return undefined
  }
}

/** Complex numbers as pairs; used by this solver alone. */
const times = (a: [number, number], b: [number, number]): [number, number] => [
  a[0] * b[0] - a[1] * b[1],
  a[0] * b[1] + a[1] * b[0],
]
const inverse = ([re, im]: [number, number]): [number, number] => {
  const d = re * re + im * im
  return [re / d, -im / d]
}

type Load = { ohms: number; volts: number }

/** The nodal equations of a network at one frequency: one dense complex matrix, rows of re and im in turn. */
class PlainEquations {
  readonly y: Float64Array[]
  readonly drive: Float64Array
  readonly island: Int32Array

  constructor(
    private readonly nodes: number,
    private readonly omega: number,
  ) {
    this.y = Array.from({ length: nodes }, () => new Float64Array(2 * nodes))
    this.drive = new Float64Array(2 * nodes)
    this.island = Int32Array.from({ length: nodes }, (_, i) => i)
  }
  private put(i: number, j: number, [re, im]: [number, number], sign = 1): void {
    this.y[i][2 * j] += sign * re
    this.y[i][2 * j + 1] += sign * im
  }
  private branch(a: number, b: number, g: [number, number]): void {
    this.put(a, a, g)
    this.put(b, b, g)
    this.put(a, b, g, -1)
    this.put(b, a, g, -1)
    const { island } = this
    const [from, to] = [Math.max(island[a], island[b]), Math.min(island[a], island[b])]
    for (let i = 0; i < this.nodes; i++) if (island[i] === from) island[i] = to
  }
  private inject(into: number, outOf: number, amps: number): void {
    this.drive[2 * into] += amps
    this.drive[2 * outOf] -= amps
  }
  /** @param load of a rectifier, the resistance it is to the AC side and the volts it gives to the DC side */
  add(c: Component, load: Load | undefined): void {
    const { omega } = this
    if (c.type === 'T') return this.addTransformer(c)
    if (c.type === 'RECT') {
      if (omega > 0 && load && Number.isFinite(load.ohms)) this.branch(c.a, c.b, [1 / load.ohms, 0])
      if (omega > 0) return
      this.branch(c.c, c.d, [1 / c.ohms, 0])
      return this.inject(c.c, c.d, (load?.volts ?? 0) / c.ohms)
    }
    const z = impedance(c, omega)
    if (!z) return
    if (c.a !== c.b) this.branch(c.a, c.b, inverse(z))
    if ((c.type === 'VAC' && omega > 0) || (c.type === 'VDC' && omega === 0)) this.inject(c.a, c.b, c.volts / c.ohms)
  }
  /** Two coupled windings: the 2×2 impedance matrix inverted; det written out so that Zm² drops out of it. */
  private addTransformer(c: Component & { type: 'T' }): void {
    if (this.omega === 0) {
      this.branch(c.a, c.b, [1 / c.ohms, 0])
      this.branch(c.c, c.d, [1 / c.ohms2, 0])
      return
    }
    const x = this.omega * c.henries
    const n = c.ratio
    const over = inverse([c.ohms * c.ohms2, x * (c.ohms / (n * n) + c.ohms2)])
    const y12 = times([0, -x / n], over)
    this.branch(c.a, c.b, times([c.ohms2, x / (n * n)], over))
    this.branch(c.c, c.d, times([c.ohms, x], over))
    for (const [p, q, sign] of [
      [c.a, c.c, 1],
      [c.b, c.d, 1],
      [c.a, c.d, -1],
      [c.b, c.c, -1],
    ] as const) {
      this.put(p, q, y12, sign)
      this.put(q, p, y12, sign)
    }
  }
  /** The lowest node of each island is its zero. */
  ground(): void {
    for (let i = 0; i < this.nodes; i++)
      if (this.island[i] === i) {
        this.y[i].fill(0)
        this.y[i][2 * i] = 1
        this.drive[2 * i] = this.drive[2 * i + 1] = 0
      }
  }
  /** The largest entry of a column, from the diagonal down, comes to the diagonal. */
  private pivot(k: number): void {
    const { y, drive } = this
    const size = (i: number) => Math.hypot(y[i][2 * k], y[i][2 * k + 1])
    let pivot = k
    for (let i = k + 1; i < this.nodes; i++) if (size(i) > size(pivot)) pivot = i
    if (pivot === k) return
    ;[y[k], y[pivot]] = [y[pivot], y[k]]
    for (const half of [0, 1]) {
      const kept = drive[2 * k + half]
      drive[2 * k + half] = drive[2 * pivot + half]
      drive[2 * pivot + half] = kept
    }
  }
  /** Gaussian elimination with partial pivoting, to an upper triangle. */
  eliminate(): void {
    const { nodes, y, drive } = this
    for (let k = 0; k < nodes; k++) {
      this.pivot(k)
      const over = inverse([y[k][2 * k], y[k][2 * k + 1]])
      for (let i = k + 1; i < nodes; i++) {
        const own: [number, number] = [y[i][2 * k], y[i][2 * k + 1]]
        if (own[0] === 0 && own[1] === 0) continue
        const [fr, fi] = times(own, over)
        for (let j = k; j < nodes; j++) {
          const [ar, ai] = [y[k][2 * j], y[k][2 * j + 1]]
          y[i][2 * j] -= fr * ar - fi * ai
          y[i][2 * j + 1] -= fr * ai + fi * ar
        }
        drive[2 * i] -= fr * drive[2 * k] - fi * drive[2 * k + 1]
        drive[2 * i + 1] -= fr * drive[2 * k + 1] + fi * drive[2 * k]
      }
    }
  }
  substitute(): PlainSolution {
    const { nodes, y, drive, island } = this
    const [re, im] = [new Float64Array(nodes), new Float64Array(nodes)]
    for (let i = nodes - 1; i >= 0; i--) {
      let sum: [number, number] = [drive[2 * i], drive[2 * i + 1]]
      for (let j = i + 1; j < nodes; j++) {
        const part = times([y[i][2 * j], y[i][2 * j + 1]], [re[j], im[j]])
        sum = [sum[0] - part[0], sum[1] - part[1]]
      }
      ;[re[i], im[i]] = times(sum, inverse([y[i][2 * i], y[i][2 * i + 1]]))
    }
    return { re, im, island }
  }
}

/**
 * Solves a network at one frequency.
 *
 * @param omega rad/s; 0 is DC
 * @param loads for each rectifier, the resistance it is to the AC side and the volts it gives to the DC side
 * @returns node voltages as re and im in V, from the lowest node of each island
 */
export function solvePlain(
  nodes: number,
  components: readonly Component[],
  omega: number,
  loads: readonly Load[] = [],
): PlainSolution {
  const equations = new PlainEquations(nodes, omega)
  let rectifier = 0
  for (const c of components) equations.add(c, c.type === 'RECT' ? loads[rectifier++] : undefined)
  equations.ground()
  equations.eliminate()
  return equations.substitute()
}

/** Magnitude of the voltage between two nodes, V; 0 between islands. */
export const plainVolts = (s: PlainSolution, a: number, b: number): number =>
  s.island[a] === s.island[b] ? Math.hypot(s.re[a] - s.re[b], s.im[a] - s.im[b]) : 0

/** Both parts of a network, its rectifiers tied together by trying: load of the DC side, then the AC side under it. */
export function solveBoth(
  nodes: number,
  components: readonly Component[],
  omega: number,
): { ac: PlainSolution; dc: PlainSolution } {
  const rectifiers = components.filter((c) => c.type === 'RECT')
  const loads = rectifiers.map((own, i) => {
    // One volt on this rectifier alone: the current it gives is one over the resistance it works into.
    const dead = components.map((c) => (c.type === 'VDC' ? { ...c, volts: 0 } : c))
    const s = solvePlain(
      nodes,
      dead,
      0,
      rectifiers.map((_, k) => ({ ohms: Infinity, volts: k === i ? 1 : 0 })),
    )
    const amps = (1 - (s.re[own.c] - s.re[own.d])) / own.ohms
    return { ohms: amps > 1e-12 ? WAVES[own.wave].loadRatio / amps : Infinity, volts: 0 }
  })
  const ac = solvePlain(nodes, components, omega, loads)
  rectifiers.forEach((r, i) => (loads[i].volts = WAVES[r.wave].mean * plainVolts(ac, r.a, r.b)))
  return { ac, dc: solvePlain(nodes, components, 0, loads) }
}

/** Magnitude of the current through a two-terminal component, A, at omega rad/s. */
export function plainAmps(s: PlainSolution, c: Component, omega: number): number {
  const z = impedance(c, omega)
  if (!z) return 0
  const emf = (c.type === 'VAC' && omega > 0) || (c.type === 'VDC' && omega === 0) ? c.volts : 0
  return Math.hypot(...times([s.re[c.a] - s.re[c.b] - emf, s.im[c.a] - s.im[c.b]], inverse(z)))
}
