import {
  seriesPathOf,
  solveSeriesPath,
  solveWater,
  subnetworksOf,
  type Subnetwork,
  type WaterLink,
} from '../../physics/water'
import type { Part } from '../../model/kinds'
import type { WaterNetwork } from './cache'
import { cacheKeysOf, keyWithModes } from './cache-keys'
import type { PointContext } from './point-context'

/** Mixing points that one after another may stand in a row. */
const MOST_MIXING = 40

export interface WaterState {
  /** Pa, by node. */
  pressure: Float64Array
  /** m³/s, by link. */
  flow: Float64Array
  network: WaterNetwork
}

function prepare(r: Subnetwork, links: readonly WaterLink[], fixed: Float64Array): WaterNetwork['subnetworks'][number] {
  const ends = r.links.flatMap((k) => [links[k].from, links[k].to])
  const innerNodes = [...new Set(ends)].filter((node) => Number.isNaN(fixed[node]))
  const own = r.links.map((k) => links[k])
  const still = (s: WaterLink) => s.pressureRise === 0 && s.outletAtMost === Infinity
  const stagnant = r.boundaryNodes.length < 2 && own.every(still)
  return {
    ...r,
    own,
    stagnant,
    path: stagnant ? undefined : seriesPathOf(own, fixed),
    lastBoundary: new Float64Array(r.boundaryNodes.length).fill(NaN),
    flow: new Float64Array(r.links.length),
    innerNodes,
    pressure: new Float64Array(innerNodes.length),
    settled: true,
  }
}

/** The water side of an operating point: pressures, flows and temperatures, solved when somebody looks. */
export class WaterSide {
  private solved: WaterState | undefined
  private network: WaterNetwork | undefined
  /** Places to work in, made when first needed: most copies are never asked about their water. */
  private scratch: { fixed: Float64Array; pressures: Float64Array; temperatures: Float64Array } | undefined
  private flows = new Float64Array(0)
  private temperaturesFresh = false
  /** Whether some flow was looked at that the iteration had not brought to rest. */
  unsettled = false

  constructor(private readonly context: PointContext) {}

  modeChanged(mode: number): void {
    if (!this.context.influence.onWater.mode[mode]) return
    this.solved = undefined
    this.network = undefined
  }
  statesChanged(): void {
    this.temperaturesFresh = false
    this.solved = undefined
  }

  private get places() {
    const size = this.context.faulted.machine.waterNodeCount
    return (this.scratch ??= {
      fixed: new Float64Array(size),
      pressures: new Float64Array(size),
      temperatures: new Float64Array(size),
    })
  }

  /** The links of the moment, made anew: for an operating point whose values are moved. */
  links(): WaterLink[] {
    const out: WaterLink[] = []
    for (const part of this.context.roles.links)
      this.context.faulted.machine.kinds[part.index].links!(part, this.context.view, (s) => void out.push(s))
    return out
  }
  /** Fixed pressures, Pa; NaN where a node is free. Written into `out`. */
  fixedPressures(out: Float64Array = new Float64Array(this.context.faulted.machine.waterNodeCount)): Float64Array {
    const { machine } = this.context.faulted
    out.fill(NaN)
    const put = (node: number, pascals: number) => {
      out[node] = pascals
    }
    for (const part of this.context.roles.fixedPressures)
      machine.kinds[part.index].fixedPressures!(part, this.context.view, put)
    return out
  }

  private current(): WaterNetwork {
    if (this.network) return this.network
    const { faulted, cache, influence, view } = this.context
    const key = keyWithModes(cacheKeysOf(faulted, cache).water, influence.water, view.modes)
    let network = cache.water.get(key)
    if (!network) {
      const { parts, machine } = this.context.faulted
      const links: WaterLink[] = []
      const of = new Int32Array(parts.length).fill(-1)
      for (const part of this.context.roles.links)
        machine.kinds[part.index].links!(part, this.context.view, (s) => {
          of[part.index] = links.length
          links.push(s)
        })
      const fixed = this.fixedPressures()
      const subnetworks = subnetworksOf(machine.waterNodeCount, links, fixed).map((r) => prepare(r, links, fixed))
      network = { links, of, subnetworks }
      this.context.cache.water.set(key, network)
    }
    return (this.network = network)
  }

  /** Pressures and flows of the moment. The arrays are used again at the next moment: read, do not keep. */
  solution(): WaterState {
    if (this.solved) return this.solved
    const network = this.current()
    const { fixed, pressures: pressure } = this.places
    this.fixedPressures(fixed)
    if (this.flows.length !== network.links.length) this.flows = new Float64Array(network.links.length)
    const { flows: flow } = this
    for (let i = 0; i < fixed.length; i++) pressure[i] = Number.isNaN(fixed[i]) ? 0 : fixed[i]
    for (const subnetwork of network.subnetworks) {
      const { links, innerNodes } = subnetwork
      if (hasMoved(subnetwork, fixed)) solveSubnetwork(subnetwork, fixed, pressure)
      if (!subnetwork.settled) this.unsettled = true
      for (let i = 0; i < links.length; i++) flow[links[i]] = subnetwork.flow[i]
      for (let i = 0; i < innerNodes.length; i++) pressure[innerNodes[i]] = subnetwork.pressure[i]
    }
    return (this.solved = { pressure, flow, network })
  }

  pressure(node: number): number {
    return this.solution().pressure[node]
  }
  flow(part: Part): number {
    const { network, flow } = this.solution()
    const k = network.of[part.index]
    return k < 0 ? 0 : flow[k]
  }
  inflow(node: number): number {
    const { network, flow } = this.solution()
    const { links } = network
    let q = 0
    for (let k = 0; k < links.length; k++) {
      if (links[k].to === node) q += flow[k]
      if (links[k].from === node) q -= flow[k]
    }
    return q
  }
  heatFlowInto(node: number): number {
    const { network, flow } = this.solution()
    const { links } = network
    let sum = 0
    for (let k = 0; k < links.length; k++) {
      const { from, to } = links[k]
      const q = flow[k]
      if (q === 0 || (from !== node && to !== node)) continue
      const upstream = q > 0 ? from : to
      sum += (to === node ? q : -q) * this.temperatureFrom(upstream, 0)
    }
    return sum
  }
  /** Temperature of the water that leaves a node: of its source, or mixed from what flows in. */
  private temperatureFrom(node: number, depth: number): number {
    const own = this.sourceTemperatures()[node]
    if (!Number.isNaN(own)) return own
    if (depth > MOST_MIXING) return this.context.view.ambient
    const { network, flow } = this.solution()
    const { links } = network
    let [sum, total] = [0, 0]
    for (let k = 0; k < links.length; k++) {
      const q = flow[k]
      if (q === 0) continue
      const { from, to } = links[k]
      if (q > 0 ? to !== node : from !== node) continue
      sum += Math.abs(q) * this.temperatureFrom(q > 0 ? from : to, depth + 1)
      total += Math.abs(q)
    }
    return total > 0 ? sum / total : this.context.view.ambient
  }
  /** Temperatures that parts give to their nodes, NaN elsewhere; one list for each set of states. */
  private sourceTemperatures(): Float64Array {
    const { temperatures } = this.places
    if (this.temperaturesFresh) return temperatures
    temperatures.fill(NaN)
    const put = (node: number, celsius: number) => void (temperatures[node] = celsius)
    for (const part of this.context.roles.temperatures)
      this.context.faulted.machine.kinds[part.index].temperatures!(part, this.context.view, put)
    this.temperaturesFresh = true
    return temperatures
  }
}

/** Whether a subnetwork's boundary pressures differ from those it was solved for last. */
function hasMoved({ boundaryNodes, lastBoundary }: WaterNetwork['subnetworks'][number], fixed: Float64Array): boolean {
  for (let i = 0; i < boundaryNodes.length; i++) if (lastBoundary[i] !== fixed[boundaryNodes[i]]) return true
  return false
}

/** Solves one subnetwork and keeps what it came to with it. */
function solveSubnetwork(s: WaterNetwork['subnetworks'][number], fixed: Float64Array, pressure: Float64Array): void {
  const { boundaryNodes, lastBoundary, innerNodes } = s
  if (s.stagnant) for (const node of innerNodes) pressure[node] = boundaryNodes.length ? fixed[boundaryNodes[0]] : 0
  else if (s.path) {
    solveSeriesPath(s.own, s.path, fixed, s.flow, pressure)
    s.settled = s.flow.every(Number.isFinite)
  } else {
    const solved = solveWater(fixed.length, s.own, fixed)
    s.flow = solved.flow
    s.settled = solved.converged
    for (const node of innerNodes) pressure[node] = solved.pressure[node]
  }
  for (let i = 0; i < boundaryNodes.length; i++) lastBoundary[i] = fixed[boundaryNodes[i]]
  for (let i = 0; i < innerNodes.length; i++) s.pressure[i] = pressure[innerNodes[i]]
}
