import {
  admittanceOf,
  ampsThrough,
  coupleRectifiers,
  dcVoltsBetween,
  newAdmittance,
  updateResistances,
  updateSources,
  solveCircuit,
  voltsBetween,
  type Component,
  type Solution,
} from '../../physics/circuit'
import type { PointView, Part } from '../../model/kinds'
import type { FaultedMachine } from '../../model/machine'
import { seriesPathOf, subnetworksOf, solveSeriesPath, solveWater, type WaterLink } from '../../physics/water'
import { cacheKeysOf, influenceOf, rolesOf, type CacheKeys, type Influence, type Roles } from './influence'
import { LruCache, newNetworkCache, type Circuit, type NetworkCache, type WaterNetwork } from './networks'

/** Mixing points that one after another may stand in a row. */
const MOST_MIXING = 40

interface WaterNow {
  pressure: Float64Array
  flow: Float64Array
  network: WaterNetwork
}

/**
 * A faulted machine in one state, with its circuit and water solved when somebody looks.
 * `touchMode` and `touchStates` must be called after changing `m` or `x`.
 */
export class OperatingPoint implements PointView {
  time = 0
  phase = -1
  phaseSince = 0
  private circuit: Circuit | undefined
  private sourcesFresh = false
  private water: WaterNow | undefined
  private network: WaterNetwork | undefined
  private scratch: { fixed: Float64Array; pressures: Float64Array; given: Float64Array } | undefined
  private warmthFresh = false
  private flows = new Float64Array(0)
  private readonly roles: Roles
  private readonly influence: Influence
  private readonly cacheKeys: CacheKeys

  constructor(
    readonly faulted: FaultedMachine,
    readonly modes: Int8Array,
    readonly states: Float64Array,
    readonly modeSince: Float64Array,
    private readonly cache: NetworkCache = newNetworkCache(),
  ) {
    this.roles = rolesOf(faulted)
    this.influence = influenceOf(faulted.machine)
    this.cacheKeys = cacheKeysOf(faulted)
  }

  /** Places to work in, made when first needed: most copies are never asked about their water. */
  private get work() {
    const size = this.faulted.machine.waterNodeCount
    return (this.scratch ??= {
      fixed: new Float64Array(size),
      pressures: new Float64Array(size),
      given: new Float64Array(size),
    })
  }
  get values(): Float64Array {
    return this.faulted.values
  }
  get ambient(): number {
    return this.faulted.values[0]
  }

  /** To be called after a mode has changed. */
  modeChanged(mode: number): void {
    if (this.influence.onCircuit.mode[mode]) {
      this.circuit = undefined
      this.sourcesFresh = false
    }
    if (this.influence.onWater.mode[mode]) {
      this.water = undefined
      this.network = undefined
    }
  }
  /** To be called after continuous states have changed. */
  statesChanged(): void {
    this.sourcesFresh = false
    this.warmthFresh = false
    this.water = undefined
  }

  /** The same moment with other values: what if. */
  withFaulted(faulted: FaultedMachine): OperatingPoint {
    return this.copy(faulted, this.modes)
  }
  /** The same moment with one mode otherwise. */
  withMode(mode: number, value: number): OperatingPoint {
    return this.copy(this.faulted, this.modes.with(mode, value))
  }
  private copy(faulted: FaultedMachine, m: Int8Array, cache: NetworkCache = this.cache): OperatingPoint {
    const copy = new OperatingPoint(faulted, m, this.states.slice(), this.modeSince.slice(), cache)
    copy.time = this.time
    copy.phase = this.phase
    copy.phaseSince = this.phaseSince
    return copy
  }

  /** A copy that later changes do not reach. */
  snapshot(): OperatingPoint {
    // What states move belongs to the copy; everything else of the circuit it finds again through the cache.
    const follows = this.roles.followers.length > 0
    const cache = follows ? { circuits: new LruCache<Circuit>(), water: this.cache.water } : this.cache
    const copy = this.copy(this.faulted, this.modes.slice(), cache)
    if (follows) {
      copy.circuit = this.ownCircuit()
      copy.sourcesFresh = true
      cache.circuits.set(this.circuitKey(), copy.circuit)
    }
    return copy
  }
  /** The circuit of the moment apart from the shared one, which the next states will move. */
  private ownCircuit(): Circuit {
    const now = this.circuitNow()
    if (now.live.ac) this.ac()
    const dc = this.dc()
    const components = [...now.components]
    const own = this.roles.resistive.length ? undefined : { ...dc, components, re: dc.re.slice(), im: dc.im.slice() }
    return { ...now, components, ac: now.acFollows ? undefined : now.ac, dc: own }
  }

  /** The components of the moment, in the order of the parts. */
  components(): readonly Component[] {
    return this.circuitNow().components
  }
  componentsOf(part: Part): readonly Component[] {
    return this.ownOf(this.circuitNow(), part)
  }
  private ownOf({ components, first, count }: Circuit, part: Part): Component[] {
    return components.slice(first[part.index], first[part.index] + count[part.index])
  }
  ac(): Solution {
    const c = this.circuitNow()
    // Once it is known that no such resistance lies in an AC loop, they are left to whoever looks at DC.
    if (this.roles.resistive.length && c.acFollows !== false) this.follow(c)
    if (!c.ac && c.rectifies) this.couple(c)
    return (c.ac ??= solveCircuit(this.faulted.machine.nodeCount, c.components, 'ac', this.omega))
  }
  dc(): Solution {
    const c = this.circuitNow()
    if (!c.dc && c.rectifies) this.couple(c)
    c.dc ??= solveCircuit(this.faulted.machine.nodeCount, c.components, 'dc', 0)
    this.follow(c)
    return c.dc ?? this.dc()
  }
  /** Brings what follows the states up to date. */
  private follow(c: Circuit): void {
    const { followers, resistive } = this.roles
    if (this.sourcesFresh || !followers.length) return
    this.sourcesFresh = true
    for (const part of followers) {
      let at = c.first[part.index]
      this.faulted.machine.kinds[part.index].stamp!(part, this, (component) => (c.components[at++] = component))
    }
    if (!resistive.length) {
      if (c.dc) updateSources(c.dc, c.components)
      return
    }
    const moved = resistive.flatMap((part) => this.ownOf(c, part))
    if (c.rectifies) {
      c.ac = c.dc = undefined
      return
    }
    if (c.dc) updateResistances(c.dc, c.components, moved)
    c.acFollows ??= this.inAcLoop(c, moved)
    if (c.acFollows) c.ac = undefined
  }
  private inAcLoop(c: Circuit, moved: readonly Component[]): boolean {
    c.ac ??= solveCircuit(this.faulted.machine.nodeCount, c.components, 'ac', this.omega)
    const { block } = c.ac
    return c.components.some((x) => x.type === 'VAC' && moved.some((y) => block[y.a] === block[x.a]))
  }
  /** Whether some DC part of the circuit is a rectified sine. */
  get rectifies(): boolean {
    return this.circuitNow().rectifies
  }
  private get omega(): number {
    return 2 * Math.PI * this.faulted.machine.sheet.hertz
  }
  private couple(c: Circuit): void {
    const { ac, dc } = coupleRectifiers(this.faulted.machine.nodeCount, c.components, this.omega)
    c.ac = ac
    c.dc = dc
  }
  hasSource(analysis: 'ac' | 'dc'): boolean {
    return this.circuitNow().live[analysis]
  }

  private stampInto(c: Circuit): void {
    const { machine, addedComponents } = this.faulted
    const { components } = c
    const push = (component: Component) => void components.push(component)
    components.length = 0
    for (const part of this.roles.stamped) {
      c.first[part.index] = components.length
      machine.kinds[part.index].stamp!(part, this, push)
      c.count[part.index] = components.length - c.first[part.index]
    }
    components.push(...addedComponents)
    c.live.ac = components.some((x) => x.type === 'VAC')
    c.rectifies = components.some((x) => x.type === 'RECT')
    c.live.dc = c.rectifies || components.some((x) => x.type === 'VDC')
  }
  private circuitNow(): Circuit {
    if (this.circuit) return this.circuit
    const key = this.circuitKey()
    let c = this.cache.circuits.get(key)
    if (!c) {
      c = {
        components: [],
        first: new Int32Array(this.faulted.parts.length),
        count: new Int32Array(this.faulted.parts.length),
        ac: undefined,
        dc: undefined,
        live: { ac: false, dc: false },
        rectifies: false,
        acFollows: undefined,
        dcIslands: undefined,
      }
      this.circuit = c
      this.stampInto(c)
      this.cache.circuits.set(key, c)
    }
    this.circuit = c
    return c
  }

  /** The same for operating points that have the same circuit but for what follows their states. */
  circuitKey(): string {
    return this.key(this.influence.circuit, this.cacheKeys.circuit)
  }
  private key(modes: Int32Array, print: string): string {
    let key = print
    for (const mode of modes) key += String.fromCharCode(this.modes[mode])
    return key
  }

  /** The links of the moment, made anew: for an operating point whose values are moved. */
  links(): WaterLink[] {
    const out: WaterLink[] = []
    for (const part of this.roles.flows)
      this.faulted.machine.kinds[part.index].links!(part, this, (s) => void out.push(s))
    return out
  }

  private networkNow(): WaterNetwork {
    if (this.network) return this.network
    const key = this.key(this.influence.water, this.cacheKeys.water)
    let net = this.cache.water.get(key)
    if (!net) {
      const { parts, machine } = this.faulted
      const links: WaterLink[] = []
      const of = new Int32Array(parts.length).fill(-1)
      for (const part of this.roles.flows)
        machine.kinds[part.index].links!(part, this, (s) => {
          of[part.index] = links.length
          links.push(s)
        })
      const fixed = this.fixedPressures(new Float64Array(machine.waterNodeCount))
      const subnetworks = subnetworksOf(machine.waterNodeCount, links, fixed).map((r) => {
        const ends = r.links.flatMap((k) => [links[k].from, links[k].to])
        const innerNodes = [...new Set(ends)].filter((node) => Number.isNaN(fixed[node]))
        const own = r.links.map((k) => links[k])
        const stagnant = r.boundaryNodes.length < 2 && own.every((s) => s.pressureRise === 0)
        return {
          ...r,
          own,
          stagnant,
          path: stagnant ? undefined : seriesPathOf(own, fixed),
          lastBoundary: new Float64Array(r.boundaryNodes.length).fill(NaN),
          flow: new Float64Array(r.links.length),
          innerNodes,
          pressure: new Float64Array(innerNodes.length),
        }
      })
      net = { links: links, of, subnetworks: subnetworks }
      this.cache.water.set(key, net)
    }
    return (this.network = net)
  }

  /** Fixed pressures, Pa; NaN where a node is free. Written into `out`. */
  fixedPressures(out: Float64Array = new Float64Array(this.faulted.machine.waterNodeCount)): Float64Array {
    const { machine } = this.faulted
    out.fill(NaN)
    const put = (node: number, pascals: number) => {
      out[node] = pascals
    }
    for (const part of this.roles.fixedPressures) machine.kinds[part.index].fixedPressures!(part, this, put)
    return out
  }

  /** Pressures and flows of the moment. The arrays are used again at the next moment: read, do not keep. */
  waterSolution(): WaterNow {
    if (this.water) return this.water
    const network = this.networkNow()
    const { fixed, pressures: pressure } = this.work
    this.fixedPressures(fixed)
    if (this.flows.length !== network.links.length) this.flows = new Float64Array(network.links.length)
    const { flows: flow } = this
    for (let i = 0; i < fixed.length; i++) pressure[i] = Number.isNaN(fixed[i]) ? 0 : fixed[i]
    for (const subnetwork of network.subnetworks) {
      const { boundaryNodes, lastBoundary: last, links, innerNodes: free } = subnetwork
      let same = true
      for (let i = 0; i < boundaryNodes.length; i++) if (last[i] !== fixed[boundaryNodes[i]]) same = false
      if (!same) {
        if (subnetwork.stagnant)
          for (const node of free) pressure[node] = boundaryNodes.length ? fixed[boundaryNodes[0]] : 0
        else if (subnetwork.path) solveSeriesPath(subnetwork.own, subnetwork.path, fixed, subnetwork.flow, pressure)
        else {
          const solved = solveWater(fixed.length, subnetwork.own, fixed)
          subnetwork.flow = solved.flow
          for (const node of free) pressure[node] = solved.pressure[node]
        }
        for (let i = 0; i < boundaryNodes.length; i++) last[i] = fixed[boundaryNodes[i]]
        for (let i = 0; i < free.length; i++) subnetwork.pressure[i] = pressure[free[i]]
      }
      for (let i = 0; i < links.length; i++) flow[links[i]] = subnetwork.flow[i]
      for (let i = 0; i < free.length; i++) pressure[free[i]] = subnetwork.pressure[i]
    }
    return (this.water = { pressure, flow, network })
  }

  /** Rates of change of the continuous states, written into `out`. */
  rates(out: Float64Array = new Float64Array(this.states.length)): Float64Array {
    out.fill(0)
    for (const part of this.roles.rates) this.faulted.machine.kinds[part.index].rates!(part, this, out)
    return out
  }

  volts(a: number, b: number): number {
    const ac = this.hasSource('ac') ? voltsBetween(this.ac(), a, b) : 0
    const dc = this.dcVolts(a, b)
    return dc === 0 ? ac : Math.hypot(ac, dc)
  }
  dcVolts = (a: number, b: number): number => {
    const c = this.circuitNow()
    if (!c.live.dc) return 0
    if (!c.dcIslands) {
      const { island } = this.dc()
      const fed = new Set(
        c.components.flatMap((x) => (x.type === 'VDC' ? [island[x.a]] : x.type === 'RECT' ? [island[x.c]] : [])),
      )
      c.dcIslands = Uint8Array.from(island, (root) => (fed.has(root) ? 1 : 0))
    }
    return c.dcIslands[a] ? dcVoltsBetween(this.dc(), a, b) : 0
  }

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
    return this.waterSolution().pressure[node]
  }
  flow(part: Part): number {
    const { network, flow } = this.waterSolution()
    const k = network.of[part.index]
    return k < 0 ? 0 : flow[k]
  }
  inflow(node: number): number {
    const { network, flow } = this.waterSolution()
    const { links: links } = network
    let q = 0
    for (let k = 0; k < links.length; k++) {
      if (links[k].to === node) q += flow[k]
      if (links[k].from === node) q -= flow[k]
    }
    return q
  }
  heatFlowInto(node: number): number {
    const { network, flow } = this.waterSolution()
    const { links: links } = network
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
    const own = this.sourcesOfWarmth()[node]
    if (!Number.isNaN(own)) return own
    if (depth > MOST_MIXING) return this.ambient
    const { network, flow } = this.waterSolution()
    const { links: links } = network
    let [sum, total] = [0, 0]
    for (let k = 0; k < links.length; k++) {
      const q = flow[k]
      if (q === 0) continue
      const { from, to } = links[k]
      if (q > 0 ? to !== node : from !== node) continue
      sum += Math.abs(q) * this.temperatureFrom(q > 0 ? from : to, depth + 1)
      total += Math.abs(q)
    }
    return total > 0 ? sum / total : this.ambient
  }
  /** Temperatures that parts give to their nodes, NaN elsewhere; one list for each set of states. */
  private sourcesOfWarmth(): Float64Array {
    const { given } = this.work
    if (this.warmthFresh) return given
    given.fill(NaN)
    const put = (node: number, celsius: number) => void (given[node] = celsius)
    for (const part of this.roles.warm) this.faulted.machine.kinds[part.index].temperatures!(part, this, put)
    this.warmthFresh = true
    return given
  }
  referred(part: Part, name: string): Part | undefined {
    const index = part.ref[name]
    return index === undefined ? undefined : this.faulted.parts[index]
  }
  referredSignal(part: Part, name: string, signal: string): number {
    return this.signal(part.ref[name], signal)
  }
  signal(partIndex: number, signal: string): number {
    return this.faulted.machine.kinds[partIndex].signals![signal].read(this.faulted.parts[partIndex], this)
  }
  /** Power drawn from sources and turned into heat, W: used to check that the solved circuit balances. */
  powerBalance(): number {
    const s = this.ac()
    const y = newAdmittance()
    let net = 0
    for (const c of s.components) {
      if (c.type === 'T') continue
      admittanceOf(c, 'ac', s.omega, y)
      const [vr, vi] = [s.re[c.a] - s.re[c.b], s.im[c.a] - s.im[c.b]]
      net += y.re * (vr * vr + vi * vi) - y.amps * vr
    }
    return net
  }
}
