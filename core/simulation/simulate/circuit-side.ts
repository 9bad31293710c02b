import { LruCache } from '../../foundation/lru-cache'
import {
  ampsThrough,
  coupleRectifiers,
  dcVoltsBetween,
  solveCircuit,
  updateResistances,
  updateSources,
  voltsBetween,
  type Component,
  type Solution,
} from '../../physics/circuit'
import type { Part } from '../../model/kinds'
import { MOST_CACHED, type Circuit } from './cache'
import { cacheKeysOf, keyWithModes } from './cache-keys'
import type { PointContext } from './point-context'

const newCircuit = (parts: number): Circuit => ({
  components: [],
  first: new Int32Array(parts),
  count: new Int32Array(parts),
  ac: undefined,
  dc: undefined,
  live: { ac: false, dc: false },
  rectifies: false,
  acFollows: undefined,
  dcIslands: undefined,
})

/** The electrical side of an operating point: its circuit, solved when somebody looks. */
export class CircuitSide {
  private circuit: Circuit | undefined
  /** Whether what follows the states is up to date in the circuit. */
  private fresh = false

  constructor(
    private readonly context: PointContext,
    private readonly circuits: LruCache<Circuit> = context.cache.circuits,
  ) {}

  modeChanged(mode: number): void {
    if (!this.context.influence.onCircuit.mode[mode]) return
    this.circuit = undefined
    this.fresh = false
  }
  statesChanged(): void {
    this.fresh = false
  }
  /** The same for operating points that have the same circuit but for what follows their states. */
  get key(): string {
    const { faulted, cache, influence, view } = this.context
    return keyWithModes(cacheKeysOf(faulted, cache).circuit, influence.circuit, view.modes)
  }

  /** Whether a copy must have a circuit of its own: its components follow the states. */
  get follows(): boolean {
    return this.context.roles.followers.length > 0
  }
  /** Takes over a circuit that later states of another operating point do not move. */
  adopt(circuit: Circuit): void {
    this.circuit = circuit
    this.fresh = true
    this.circuits.set(this.key, circuit)
  }
  /** The circuit of the moment apart from the shared one, which the next states will move. */
  detached(): Circuit {
    const now = this.current()
    if (now.live.ac) this.ac()
    const dc = this.dc()
    const components = [...now.components]
    const own = this.context.roles.resistive.length
      ? undefined
      : { ...dc, components, re: dc.re.slice(), im: dc.im.slice() }
    return { ...now, components, ac: now.acFollows ? undefined : now.ac, dc: own }
  }

  /** The components of the moment, in the order of the parts. */
  components(): readonly Component[] {
    return this.current().components
  }
  componentsOf(part: Part): Component[] {
    const { components, first, count } = this.current()
    return components.slice(first[part.index], first[part.index] + count[part.index])
  }
  ac(): Solution {
    const c = this.current()
    // Once it is known that no such resistance lies in an AC loop, they are left to whoever looks at DC.
    if (this.context.roles.resistive.length && c.acFollows !== false) this.follow(c)
    if (!c.ac && c.rectifies) this.couple(c)
    return (c.ac ??= solveCircuit(this.context.faulted.nodeCount, c.components, 'ac', this.omega))
  }
  dc(): Solution {
    const c = this.current()
    if (!c.dc && c.rectifies) this.couple(c)
    c.dc ??= solveCircuit(this.context.faulted.nodeCount, c.components, 'dc', 0)
    this.follow(c)
    return c.dc ?? this.dc()
  }
  hasSource(analysis: 'ac' | 'dc'): boolean {
    return this.current().live[analysis]
  }
  /** Whether some DC part of the circuit is a rectified sine. */
  get rectifies(): boolean {
    return this.current().rectifies
  }

  volts(a: number, b: number): number {
    const ac = this.hasSource('ac') ? voltsBetween(this.ac(), a, b) : 0
    const dc = this.dcVolts(a, b)
    return dc === 0 ? ac : Math.hypot(ac, dc)
  }
  dcVolts(a: number, b: number): number {
    const c = this.current()
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

  private get omega(): number {
    return 2 * Math.PI * this.context.faulted.machine.frequency
  }
  private couple(c: Circuit): void {
    const { ac, dc } = coupleRectifiers(this.context.faulted.nodeCount, c.components, this.omega)
    c.ac = ac
    c.dc = dc
  }

  /** Brings what follows the states up to date. */
  private follow(c: Circuit): void {
    const { followers, resistive } = this.context.roles
    if (this.fresh || !followers.length) return
    this.fresh = true
    for (const part of followers) {
      let at = c.first[part.index]
      this.context.faulted.machine.kinds[part.index].stamp!(
        part,
        this.context.view,
        (component) => (c.components[at++] = component),
      )
    }
    if (!resistive.length) {
      if (c.dc) updateSources(c.dc, c.components)
      return
    }
    if (c.rectifies) {
      c.ac = c.dc = undefined
      return
    }
    const moved = resistive.flatMap((part) => this.componentsOf(part))
    if (c.dc) updateResistances(c.dc, c.components, moved)
    c.acFollows ??= this.inAcLoop(c, moved)
    if (c.acFollows) c.ac = undefined
  }
  private inAcLoop(c: Circuit, moved: readonly Component[]): boolean {
    c.ac ??= solveCircuit(this.context.faulted.nodeCount, c.components, 'ac', this.omega)
    const { block } = c.ac
    return c.components.some((x) => x.type === 'VAC' && moved.some((y) => block[y.a] === block[x.a]))
  }

  private stampInto(c: Circuit): void {
    const { machine, addedComponents } = this.context.faulted
    const { components } = c
    const push = (component: Component) => void components.push(component)
    for (const part of this.context.roles.stamped) {
      c.first[part.index] = components.length
      machine.kinds[part.index].stamp!(part, this.context.view, push)
      c.count[part.index] = components.length - c.first[part.index]
    }
    components.push(...addedComponents)
    c.live.ac = components.some((x) => x.type === 'VAC')
    c.rectifies = components.some((x) => x.type === 'RECT')
    c.live.dc = c.rectifies || components.some((x) => x.type === 'VDC')
  }
  /** The circuit of the modes as they are, built when no operating point has had it. */
  private current(): Circuit {
    if (this.circuit) return this.circuit
    const { key } = this
    let c = this.circuits.get(key)
    if (!c) {
      c = newCircuit(this.context.faulted.parts.length)
      this.circuit = c
      this.stampInto(c)
      this.circuits.set(key, c)
    }
    return (this.circuit = c)
  }
}

/** A place for the circuits of one copy. */
export const ownCircuits = (): LruCache<Circuit> => new LruCache(MOST_CACHED)
