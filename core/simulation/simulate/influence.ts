import type { Component } from '../../physics/circuit'
import type { Kind, PointView, Part } from '../../model/kinds'
import type { Machine, FaultedMachine } from '../../model/machine'
import type { WaterLink } from '../../physics/water'

/** A machine in which nothing flows: enough for what `stamp` and `flow` look at. */
class Resting implements PointView {
  readonly time = 0
  readonly states: Float64Array
  readonly modeSince: Float64Array
  constructor(
    private readonly machine: Machine,
    readonly values: Float64Array,
    readonly modes: Int8Array,
  ) {
    this.states = machine.states.slice()
    this.modeSince = new Float64Array(modes.length)
  }
  get ambient(): number {
    return this.values[0]
  }
  volts = () => 0
  dcVolts = () => 0
  amps = () => 0
  pressure = () => 0
  flow = () => 0
  inflow = () => 0
  heatFlowInto = () => 0
  referred(part: Part, name: string): Part | undefined {
    const index = part.ref[name]
    return index === undefined ? undefined : this.machine.parts[index]
  }
  referredSignal(part: Part, name: string, signal: string): number {
    const index = part.ref[name]
    return this.machine.kinds[index].signals![signal].read(this.machine.parts[index], this)
  }
}

/** Which modes and parameters change the circuit and which the water network. */
export interface Influence {
  circuit: Int32Array
  water: Int32Array
  onCircuit: { mode: Uint8Array; param: Uint8Array }
  onWater: { mode: Uint8Array; param: Uint8Array }
}
const influences = new WeakMap<Machine, Influence>()

/** Found by trying every combination of each part's own modes, and each parameter in them, once per machine. */
export function influenceOf(machine: Machine): Influence {
  const known = influences.get(machine)
  if (known) return known
  const marks = () => ({ mode: new Uint8Array(machine.modes.length), param: new Uint8Array(machine.params.length) })
  const [onCircuit, onWater] = [marks(), marks()]
  const blank: Influence = { circuit: new Int32Array(0), water: new Int32Array(0), onCircuit, onWater }
  influences.set(machine, blank)
  const m = machine.modes.slice()
  const values = machine.values.slice()
  const point = new Resting(machine, values, m)
  for (const part of machine.parts) {
    const kind = machine.kinds[part.index]
    if (!kind.stamp && !kind.links) continue
    const face = () => {
      const components: Component[] = []
      const links: WaterLink[] = []
      kind.stamp?.(part, point, (c) => components.push(c))
      kind.links?.(part, point, (s) => links.push(s))
      return { circuit: JSON.stringify(components), water: JSON.stringify(links) }
    }
    const modes = (kind.modes ?? []).map((spec) => ({ index: part.mode[spec.name], count: spec.values.length }))
    const total = modes.reduce((n, { count }) => n * count, 1)
    // What it refers to may be in its components as well: the water that a probe stands in.
    const params = [
      ...new Set([
        0,
        ...Object.values(part.param),
        ...Object.values(part.ref).flatMap((other) => Object.values(machine.parts[other].param)),
      ]),
    ]
    const faces = Array.from({ length: total }, (_, code) => {
      let rest = code
      for (const { index, count } of modes) {
        m[index] = rest % count
        rest = Math.floor(rest / count)
      }
      const plain = face()
      for (const i of params) {
        if (onCircuit.param[i] && onWater.param[i]) continue
        values[i] = machine.values[i] * 1.01 + 1e-6
        const moved = face()
        values[i] = machine.values[i]
        if (moved.circuit !== plain.circuit) onCircuit.param[i] = 1
        if (moved.water !== plain.water) onWater.param[i] = 1
      }
      return plain
    })
    let step = 1
    for (const { index, count } of modes) {
      faces.forEach((own, code) => {
        const other = faces[Math.floor(code / step) % count === count - 1 ? code - (count - 1) * step : code + step]
        if (own.circuit !== other.circuit) onCircuit.mode[index] = 1
        if (own.water !== other.water) onWater.mode[index] = 1
      })
      step *= count
      m[index] = machine.modes[index]
    }
  }
  const chosen = (on: Uint8Array) => Int32Array.from([...on.keys()].filter((i) => on[i]))
  blank.circuit = chosen(onCircuit.mode)
  blank.water = chosen(onWater.mode)
  return blank
}

/** What of a faulted machine's values and wiring its circuit and its water network depend on, as text. */
export interface CacheKeys {
  circuit: string
  water: string
}
const cacheKeys = new WeakMap<FaultedMachine, CacheKeys>()
export function cacheKeysOf(faulted: FaultedMachine): CacheKeys {
  const known = cacheKeys.get(faulted)
  if (known) return known
  const { machine, values, parts, addedComponents } = faulted
  const { onCircuit, onWater } = influenceOf(machine)
  const made = { circuit: addedComponents.length ? JSON.stringify(addedComponents) : '', water: '' }
  for (let i = 0; i < values.length; i++) {
    if (values[i] === machine.values[i]) continue
    if (onCircuit.param[i]) made.circuit += `|${i}=${values[i]}`
    if (onWater.param[i]) made.water += `|${i}=${values[i]}`
  }
  for (const part of parts) {
    if (part === machine.parts[part.index]) continue
    made.circuit += `|p${part.index}:${Object.values(part.nodes).join()}`
    made.water += `|p${part.index}:${Object.values(part.ports).join()}`
  }
  cacheKeys.set(faulted, made)
  return made
}

/** Parts by what their kinds do, so that nobody asks parts that have nothing to say. */
export interface Roles {
  stamped: readonly Part[]
  followers: readonly Part[]
  /** Those of the followers whose resistance follows. */
  resistive: readonly Part[]
  fixedPressures: readonly Part[]
  flows: readonly Part[]
  rates: readonly Part[]
  warm: readonly Part[]
}
const roleCache = new WeakMap<readonly Part[], Roles>()
export function rolesOf(faulted: FaultedMachine): Roles {
  const { parts, machine } = faulted
  const known = roleCache.get(parts)
  if (known) return known
  const who = (does: (kind: Kind) => unknown) => parts.filter((p) => does(machine.kinds[p.index]))
  const roles = {
    stamped: who((k) => k.stamp),
    followers: who((k) => k.stampDependsOnState),
    resistive: who((k) => k.stampDependsOnState === 'resistance'),
    fixedPressures: who((k) => k.fixedPressures),
    flows: who((k) => k.links),
    rates: who((k) => k.rates),
    warm: who((k) => k.temperatures),
  }
  roleCache.set(parts, roles)
  return roles
}
