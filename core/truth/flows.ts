import type { Kind, Part } from '../model/kinds'
import type { WaterLink } from '../physics/water'
import type { PlainState } from './plain-state'
import { waterSolver } from './water'

/** Less than this a one-way link lets back at any pressure at all, m³/s: it is not shut against one. */
const SHUT = 1e-13

/** Pressures, flows and temperatures of the water as the machine stands, from a full solution of the network. */
export class PlainFlows {
  private network: { links: WaterLink[]; of: Int32Array; solve: (fixed: Float64Array) => Float64Array } | undefined
  private flows: { fixed: Float64Array; flow: Float64Array } | undefined
  /** Of this instant, until a mode or a state moves: fixed pressures, and celsius of the water at each node. */
  private fixed: Float64Array | undefined
  private warm: Map<number, number> | undefined
  private readonly kinds: readonly Kind[]
  private readonly heading: readonly Part[]
  private readonly warming: readonly Part[]

  constructor(private readonly point: PlainState) {
    const { parts, machine } = point.faulted
    this.kinds = machine.kinds
    this.heading = parts.filter((p) => this.kinds[p.index].fixedPressures)
    this.warming = parts.filter((p) => this.kinds[p.index].temperatures)
  }
  /** To be called after a mode has changed. */
  modeChanged(): void {
    this.network = undefined
    this.flows = undefined
    this.statesChanged()
  }
  /** To be called after the states have moved. */
  statesChanged(): void {
    this.fixed = this.warm = undefined
  }

  /** Fixed pressures, Pa, NaN where there is none; not to be changed. */
  fixedPressures(): Float64Array {
    if (this.fixed) return this.fixed
    const fixed = new Float64Array(this.point.faulted.machine.waterNodeCount).fill(NaN)
    for (const part of this.heading)
      this.kinds[part.index].fixedPressures!(part, this.point, (node, pascals) => (fixed[node] = pascals))
    return (this.fixed = fixed)
  }
  links(): { links: WaterLink[]; of: Int32Array } {
    const links: WaterLink[] = []
    const of = new Int32Array(this.point.faulted.parts.length).fill(-1)
    for (const part of this.point.faulted.parts)
      this.kinds[part.index].links?.(part, this.point, (s) => (of[part.index] = links.push(s) - 1))
    return { links, of }
  }
  private water(): { links: WaterLink[]; of: Int32Array; flow: Float64Array } {
    const fixed = this.fixedPressures()
    if (!this.network) {
      const { links, of } = this.links()
      this.network = { links, of, solve: waterSolver(links, fixed) }
    }
    if (!this.flows || (this.flows.fixed !== fixed && fixed.some((p, i) => !Object.is(p, this.flows!.fixed[i]))))
      this.flows = { fixed, flow: this.network.solve(fixed) }
    this.flows.fixed = fixed
    return { links: this.network.links, of: this.network.of, flow: this.flows.flow }
  }
  pressure(node: number): number {
    const fixed = this.fixedPressures()
    if (!Number.isNaN(fixed[node])) return fixed[node]
    // Walk from a node of known pressure, losing what each link loses at its flow.
    const { links, flow } = this.water()
    const known = new Map<number, number>()
    fixed.forEach((p, i) => Number.isNaN(p) || known.set(i, p))
    for (let again = true; again && !known.has(node);) {
      again = false
      links.forEach((s, k) => {
        if (known.has(s.from) === known.has(s.to)) return
        const q = flow[k]
        const loss =
          s.linear * q +
          s.quadratic * q * Math.abs(q) +
          (q > s.ratedFlow ? s.regulatorSlope * (q - s.ratedFlow) : 0) -
          s.pressureRise
        // Behind a closed one-way link nothing can be said, nor before a pressure regulator from what stands behind it.
        if (s.oneWay && q < -SHUT) return
        if (s.outletAtMost < Infinity && !known.has(s.from)) return
        if (known.has(s.from)) known.set(s.to, Math.min(known.get(s.from)! - loss, s.outletAtMost - s.droop * q))
        else known.set(s.from, known.get(s.to)! + loss)
        again = true
      })
    }
    return known.get(node) ?? 0
  }
  flow(part: Part): number {
    const { of, flow } = this.water()
    return of[part.index] < 0 ? 0 : flow[of[part.index]]
  }
  inflow(node: number): number {
    const { links, flow } = this.water()
    return links.reduce((q, s, k) => q + (s.to === node ? flow[k] : 0) - (s.from === node ? flow[k] : 0), 0)
  }
  /** Celsius of the water at each node that any reaches. */
  private warmths(): Map<number, number> {
    if (this.warm) return this.warm
    const { links, flow } = this.water()
    const known = new Map<number, number>()
    for (const part of this.warming)
      this.kinds[part.index].temperatures!(part, this.point, (n, celsius) => known.set(n, celsius))
    if (flow.every((q) => q === 0)) return (this.warm = known)
    // Downstream from the sources, one mixing point after another.
    for (let round = 0; round < links.length; round++) {
      const mix = new Map<number, { q: number; qt: number; open: boolean }>()
      links.forEach((s, k) => {
        const [up, down] = flow[k] >= 0 ? [s.from, s.to] : [s.to, s.from]
        if (known.has(down) || flow[k] === 0) return
        const at = mix.get(down) ?? { q: 0, qt: 0, open: false }
        const q = Math.abs(flow[k])
        if (known.has(up)) mix.set(down, { ...at, q: at.q + q, qt: at.qt + q * known.get(up)! })
        else mix.set(down, { ...at, open: true })
      })
      let more = false
      for (const [n, { q, qt, open }] of mix)
        if (!open && q > 0) {
          known.set(n, qt / q)
          more = true
        }
      if (!more) break
    }
    return (this.warm = known)
  }
  warmthInto(node: number): number {
    const { links, flow } = this.water()
    const known = this.warmths()
    return links.reduce((sum, s, k) => {
      if (flow[k] === 0 || (s.to !== node && s.from !== node)) return sum
      const up = flow[k] >= 0 ? s.from : s.to
      return sum + (s.to === node ? flow[k] : -flow[k]) * (known.get(up) ?? this.point.ambient)
    }, 0)
  }
}
