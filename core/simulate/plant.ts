import {
  admittanceOf,
  ampsThrough,
  dcVoltsBetween,
  newAdmittance,
  refreshSources,
  solveCircuit,
  voltsBetween,
  type Component,
  type Solution,
} from '../circuit'
import type { Live, Part } from '../kinds'
import type { Variant } from '../machine'
import { solveWater, type Stretch, type WaterSolution } from '../water'

interface Circuit {
  components: Component[]
  /** First component of each part; the next part's first is its end. */
  first: Int32Array
  ac: Solution | undefined
  dc: Solution | undefined
  live: { ac: boolean; dc: boolean }
}

/** Circuits already solved, by modes; shared by the plants of one variant. */
export type CircuitCache = Map<string, Circuit>

interface WaterState {
  solution: WaterSolution
  stretches: Stretch[]
  /** Stretch of each part, -1 when it has none. */
  of: Int32Array
}

/**
 * A variant in one state, with its circuit and water solved when somebody looks.
 * `touchModes` and `touchStates` must be called after changing `m` or `x`.
 */
export class Plant implements Live {
  t = 0
  phase = -1
  phaseSince = 0
  private circuit: Circuit | undefined
  private sourcesFresh = false
  private water: WaterState | undefined
  private lastFlow: Float64Array | undefined
  private readonly followers: boolean

  constructor(
    readonly variant: Variant,
    readonly m: Int8Array,
    readonly x: Float64Array,
    readonly since: Float64Array,
    private readonly cache: CircuitCache = new Map(),
  ) {
    this.followers = variant.machine.kinds.some((k) => k.stampFollowsState)
  }

  get v(): Float64Array {
    return this.variant.values
  }
  get ambient(): number {
    return this.variant.values[0]
  }

  touchModes(): void {
    this.circuit = undefined
    this.sourcesFresh = false
    this.water = undefined
    this.lastFlow = undefined
  }
  touchStates(): void {
    this.sourcesFresh = false
    this.water = undefined
  }

  /** A copy that later changes do not reach. */
  freeze(): Plant {
    this.circuitNow()
    const copy = new Plant(this.variant, this.m.slice(), this.x.slice(), this.since.slice(), this.followers ? new Map() : this.cache)
    copy.t = this.t
    copy.phase = this.phase
    copy.phaseSince = this.phaseSince
    if (!this.followers) {
      copy.circuit = this.circuit
      copy.sourcesFresh = true
    }
    return copy
  }

  /** The components of the moment, in the order of the parts. */
  components(): readonly Component[] {
    return this.circuitNow().components
  }
  componentsOf(part: Part): readonly Component[] {
    const { components, first } = this.circuitNow()
    return components.slice(first[part.index], first[part.index + 1])
  }
  ac(): Solution {
    const c = this.circuitNow()
    const { machine } = this.variant
    return (c.ac ??= solveCircuit(machine.nodes, c.components, 'ac', 2 * Math.PI * machine.sheet.hertz))
  }
  dc(): Solution {
    const c = this.circuitNow()
    c.dc ??= solveCircuit(this.variant.machine.nodes, c.components, 'dc', 0)
    if (!this.sourcesFresh && this.followers) {
      this.stampInto(c)
      refreshSources(c.dc, c.components)
      this.sourcesFresh = true
    }
    return c.dc
  }
  hasSource(analysis: 'ac' | 'dc'): boolean {
    return this.circuitNow().live[analysis]
  }

  private stampInto(c: Circuit): void {
    const { parts, machine, extra } = this.variant
    c.components.length = 0
    for (const part of parts) {
      c.first[part.index] = c.components.length
      machine.kinds[part.index].stamp?.(part, this, (component) => c.components.push(component))
    }
    c.first[parts.length] = c.components.length
    c.components.push(...extra)
    c.live.ac = c.components.some((x) => x.t === 'VAC')
    c.live.dc = c.components.some((x) => x.t === 'VDC')
  }
  private circuitNow(): Circuit {
    if (this.circuit) return this.circuit
    const key = String.fromCharCode(...this.m.map((x) => x + 1))
    let c = this.cache.get(key)
    if (!c) {
      c = { components: [], first: new Int32Array(this.variant.parts.length + 1), ac: undefined, dc: undefined, live: { ac: false, dc: false } }
      this.circuit = c
      this.stampInto(c)
      this.cache.set(key, c)
    }
    this.circuit = c
    return c
  }

  waterNow(): WaterState {
    if (this.water) return this.water
    const { parts, machine } = this.variant
    const stretches: Stretch[] = []
    const of = new Int32Array(parts.length).fill(-1)
    const fixed = new Float64Array(machine.waterNodes).fill(NaN)
    for (const part of parts) {
      const kind = machine.kinds[part.index]
      kind.heads?.(part, this, (node, pascals) => {
        fixed[node] = pascals
      })
      kind.flow?.(part, this, (s) => {
        of[part.index] = stretches.length
        stretches.push(s)
      })
    }
    const solution = solveWater(machine.waterNodes, stretches, fixed, this.lastFlow)
    this.lastFlow = solution.flow
    return (this.water = { solution, stretches, of })
  }

  volts(a: number, b: number): number {
    const ac = this.hasSource('ac') ? voltsBetween(this.ac(), a, b) : 0
    const dc = this.hasSource('dc') ? dcVoltsBetween(this.dc(), a, b) : 0
    return Math.hypot(ac, dc)
  }
  dcVolts = (a: number, b: number): number => (this.hasSource('dc') ? dcVoltsBetween(this.dc(), a, b) : 0)

  amps(part: Part): number {
    let most = 0
    for (const c of this.componentsOf(part)) {
      const ac = this.hasSource('ac') ? ampsThrough(this.ac(), c) : 0
      const dc = this.hasSource('dc') ? ampsThrough(this.dc(), c) : 0
      most = Math.max(most, Math.hypot(ac, dc))
    }
    return most
  }
  pressure(node: number): number {
    return this.waterNow().solution.pressure[node]
  }
  flow(part: Part): number {
    const { of, solution } = this.waterNow()
    return of[part.index] < 0 ? 0 : solution.flow[of[part.index]]
  }
  inflow(node: number): number {
    const { stretches, solution } = this.waterNow()
    let q = 0
    stretches.forEach((s, k) => {
      if (s.to === node) q += solution.flow[k]
      if (s.from === node) q -= solution.flow[k]
    })
    return q
  }
  of(part: Part, name: string, signal: string): number {
    return this.signal(part.ref[name], signal)
  }
  signal(partIndex: number, signal: string): number {
    return this.variant.machine.kinds[partIndex].signals![signal].read(this.variant.parts[partIndex], this)
  }
  /** Power drawn from sources and turned into heat, W: used to check that the solved circuit balances. */
  powerBalance(): number {
    const s = this.ac()
    const y = newAdmittance()
    let net = 0
    for (const c of s.components) {
      if (c.t === 'T') continue
      admittanceOf(c, 'ac', s.omega, y)
      const [vr, vi] = [s.re[c.a] - s.re[c.b], s.im[c.a] - s.im[c.b]]
      net += y.re * (vr * vr + vi * vi) - y.amps * vr
    }
    return net
  }
}
