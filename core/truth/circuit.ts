import { WAVES, type Component } from '../physics/circuit'

/**
 * A plain second solver for circuits: nodal analysis with full complex Gaussian elimination and partial pivoting,
 * one dense matrix, nothing kept. Written apart from `core/circuit` so that each can be held against the other.
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

/**
 * Solves a network at one frequency.
 *
 * @param omega rad/s; 0 is DC
 * @param loads for each rectifier, the resistance it is to the AC side and the volts it gives to the DC side
 */
export function solvePlain(
  nodes: number,
  components: readonly Component[],
  omega: number,
  loads: readonly { ohms: number; volts: number }[] = [],
): PlainSolution {
  const island = Int32Array.from({ length: nodes }, (_, i) => i)
  const y: Float64Array[] = Array.from({ length: nodes }, () => new Float64Array(2 * nodes))
  const drive = new Float64Array(2 * nodes)
  const meet = (a: number, b: number) => {
    const [from, to] = [Math.max(island[a], island[b]), Math.min(island[a], island[b])]
    for (let i = 0; i < nodes; i++) if (island[i] === from) island[i] = to
  }
  const put = (i: number, j: number, [re, im]: [number, number], sign = 1) => {
    y[i][2 * j] += sign * re
    y[i][2 * j + 1] += sign * im
  }
  const branch = (a: number, b: number, g: [number, number]) => {
    put(a, a, g)
    put(b, b, g)
    put(a, b, g, -1)
    put(b, a, g, -1)
    meet(a, b)
  }
  let rectifier = 0
  for (const c of components) {
    const z = impedance(c, omega)
    if (z) {
      if (c.a !== c.b) branch(c.a, c.b, inverse(z))
      if ((c.type === 'VAC' && omega > 0) || (c.type === 'VDC' && omega === 0)) {
        drive[2 * c.a] += c.volts / c.ohms
        drive[2 * c.b] -= c.volts / c.ohms
      }
    } else if (c.type === 'RECT') {
      const load = loads[rectifier++]
      if (omega > 0 && load && Number.isFinite(load.ohms)) branch(c.a, c.b, [1 / load.ohms, 0])
      if (omega === 0) {
        branch(c.c, c.d, [1 / c.ohms, 0])
        drive[2 * c.c] += (load?.volts ?? 0) / c.ohms
        drive[2 * c.d] -= (load?.volts ?? 0) / c.ohms
      }
    } else if (c.type === 'T') {
      if (omega === 0) {
        branch(c.a, c.b, [1 / c.ohms, 0])
        branch(c.c, c.d, [1 / c.ohms2, 0])
        continue
      }
      // Two coupled windings: the 2×2 impedance matrix inverted; det written out so that Zm² drops out of it.
      const x = omega * c.henries
      const n = c.ratio
      const over = inverse([c.ohms * c.ohms2, x * (c.ohms / (n * n) + c.ohms2)])
      const y11 = times([c.ohms2, x / (n * n)], over)
      const y22 = times([c.ohms, x], over)
      const y12 = times([0, -x / n], over)
      branch(c.a, c.b, y11)
      branch(c.c, c.d, y22)
      for (const [p, q, sign] of [
        [c.a, c.c, 1],
        [c.b, c.d, 1],
        [c.a, c.d, -1],
        [c.b, c.c, -1],
      ] as const) {
        put(p, q, y12, sign)
        put(q, p, y12, sign)
      }
    }
  }
  // The lowest node of each island is its zero.
  for (let i = 0; i < nodes; i++)
    if (island[i] === i) {
      y[i].fill(0)
      y[i][2 * i] = 1
      drive[2 * i] = drive[2 * i + 1] = 0
    }
  for (let k = 0; k < nodes; k++) {
    let pivot = k
    const size = (i: number) => Math.hypot(y[i][2 * k], y[i][2 * k + 1])
    for (let i = k + 1; i < nodes; i++) if (size(i) > size(pivot)) pivot = i
    if (pivot !== k) {
      ;[y[k], y[pivot]] = [y[pivot], y[k]]
      for (const half of [0, 1]) {
        const kept = drive[2 * k + half]
        drive[2 * k + half] = drive[2 * pivot + half]
        drive[2 * pivot + half] = kept
      }
    }
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
  const re = new Float64Array(nodes)
  const im = new Float64Array(nodes)
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

/** Amperes through a two-terminal component. */
export function plainAmps(s: PlainSolution, c: Component, omega: number): number {
  const z = impedance(c, omega)
  if (!z) return 0
  const emf = (c.type === 'VAC' && omega > 0) || (c.type === 'VDC' && omega === 0) ? c.volts : 0
  return Math.hypot(...times([s.re[c.a] - s.re[c.b] - emf, s.im[c.a] - s.im[c.b]], inverse(z)))
}
