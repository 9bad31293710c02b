import { ampsThrough, portAt, portChange, solveCircuit, type Component, type Port, type Solution } from '../circuit'
import type { Part } from '../kinds'
import { makeVariant, type Machine, type Variant } from '../machine'
import { Plant } from '../simulate'
import { reachesOf, solveWater } from '../water'
import type { Meter } from './meters'

/** What an instrument shows, in SI, with its sensitivity to the machine's parameters (one standard deviation each). */
export interface Shown {
  is: 'value' | 'open'
  value: number
  /** Change of the value for +1 standard deviation of each parameter. */
  sensitivity: Float64Array
}

/** Parameters that have a tolerance, with the values they take one standard deviation up. */
function* raised(plant: Plant, parts: readonly Part[] | undefined): Generator<{ param: number; values: Float64Array; owners: readonly Part[] }> {
  const { machine, parts: all } = plant.variant
  const own = parts ?? all
  for (const part of own)
    for (const index of Object.values(part.param)) {
      const { sd } = machine.params[index]
      if (sd === 0) continue
      const values = plant.v.slice()
      values[index] += sd
      yield { param: index, values, owners: [part] }
    }
  if (machine.params[0].sd > 0) {
    const values = plant.v.slice()
    values[0] += machine.params[0].sd
    yield { param: 0, values, owners: own }
  }
}

const withValues = (variant: Variant, values: Float64Array): Variant => ({ ...variant, values })

/** The components of some parts as they would be with other parameter values, modes unchanged. */
function restamped(plant: Plant, values: Float64Array, owners: readonly Part[]): Component[] {
  const other = new Plant(withValues(plant.variant, values), plant.m, plant.x, plant.since)
  const out: Component[] = []
  for (const part of owners)
    plant.variant.machine.kinds[part.index].stamp?.(part, other, (c) => out.push(c))
  return out
}

const changed = (a: Component, b: Component): boolean =>
  Object.entries(a).some(([k, x]) => (b as unknown as Record<string, unknown>)[k] !== x)

/** Component changes for +1 sd of each parameter; computed once for a plant, used by every probe on it. */
export interface Nudges {
  param: number
  pairs: [Component, Component][]
}
const nudgeCache = new WeakMap<Plant, Nudges[]>()
function nudges(plant: Plant): Nudges[] {
  const known = nudgeCache.get(plant)
  if (known) return known
  const out: Nudges[] = []
  for (const { param, values, owners } of raised(plant, undefined)) {
    const before = owners.flatMap((p) => [...plant.componentsOf(p)])
    const after = restamped(plant, values, owners)
    const pairs = before.flatMap((c, i): [Component, Component][] => (after[i] && changed(c, after[i]) ? [[c, after[i]]] : []))
    if (pairs.length) out.push({ param, pairs })
  }
  nudgeCache.set(plant, out)
  return out
}

function portSensitivity(plant: Plant, s: Solution, port: Port, loaded: number): Float64Array {
  const out = new Float64Array(plant.variant.machine.params.length)
  const size = Math.hypot(port.re, port.im)
  if (size === 0) return out
  for (const { param, pairs } of nudges(plant))
    for (const [before, after] of pairs) {
      const [re, im] = portChange(s, port, before, after)
      out[param] += (loaded * (port.re * re + port.im * im)) / size
    }
  return out
}

/**
 * Volts between two nodes as the meter shows them: the meter's input is part of the circuit.
 * RMS of the AC part, or the DC part when the machine has no AC source.
 */
export function showVolts(plant: Plant, meter: Meter, a: number, b: number): Shown {
  const input = meter.input ?? 10e6
  const s = plant.hasSource('ac') ? plant.ac() : plant.dc()
  const port = portAt(s, a, b)
  const loaded = input / Math.hypot(input + port.zRe, port.zIm)
  return {
    is: 'value',
    value: Math.hypot(port.re, port.im) * loaded,
    sensitivity: port.connected ? portSensitivity(plant, s, port, loaded) : new Float64Array(plant.variant.machine.params.length),
  }
}

/**
 * Ohms between two terminals. `lifted`: the part alone, its terminals taken off; otherwise the network as it stands
 * with every source dead.
 */
export function showOhms(plant: Plant, meter: Meter, part: Part, a: string, b: string, lifted: boolean): Shown {
  const { machine } = plant.variant
  const ohmsWith = (components: readonly Component[]): number => {
    const dead = components.map((c) => (c.t === 'VAC' || c.t === 'VDC' ? { ...c, volts: 0 } : c))
    const port = portAt(solveCircuit(machine.nodes, dead, 'dc', 0), part.e[a], part.e[b])
    return port.connected ? port.zRe : Infinity
  }
  const of = (p: Plant) => (lifted ? [...p.componentsOf(part)] : [...p.components()])
  const value = ohmsWith(of(plant))
  const sensitivity = new Float64Array(machine.params.length)
  if (value > (meter.range ?? Infinity)) return { is: 'open', value: Infinity, sensitivity }
  for (const { param, values, owners } of raised(plant, lifted ? [part] : undefined)) {
    const other = new Plant(withValues(plant.variant, values), plant.m, plant.x, plant.since)
    if (!lifted && !owners.some((o) => Object.keys(o.e).length)) continue
    sensitivity[param] = ohmsWith(of(other)) - value
  }
  return { is: 'value', value, sensitivity }
}

/** Amperes in the lead of a part, as a clamp shows them: the greatest current through any of its components. */
export function showAmps(plant: Plant, part: Part): Shown {
  const { machine } = plant.variant
  const sensitivity = new Float64Array(machine.params.length)
  const s = plant.hasSource('ac') ? plant.ac() : plant.dc()
  let value = 0
  let lead: Component | undefined
  for (const c of plant.componentsOf(part)) {
    const amps = ampsThrough(s, c)
    if (amps > value) [value, lead] = [amps, c]
  }
  if (!lead || lead.t === 'T') return { is: 'value', value, sensitivity }
  // I = y·V: the change of V comes from the adjoint, the change of y from the component itself.
  const port = portAt(s, lead.a, lead.b)
  const size = Math.hypot(port.re, port.im)
  if (size === 0) return { is: 'value', value, sensitivity }
  sensitivity.set(portSensitivity(plant, s, port, value / size))
  for (const { param, pairs } of nudges(plant))
    for (const [before, after] of pairs) if (before === lead) sensitivity[param] += ampsThrough(s, after) - value
  return { is: 'value', value, sensitivity }
}

/** Pressure at a water port with nothing flowing beyond it, or the flow out of it into a bucket. */
export function showWater(plant: Plant, part: Part, port: string, what: 'pressure' | 'bucket'): Shown {
  const { machine } = plant.variant
  const node = part.w[port]
  const { network } = plant.waterNow()
  // The joint behind the port is undone: what lies downstream of it is not there.
  const upstream = network.stretches.filter((s) => s.from !== node)
  const fixed = plant.heads()
  if (what === 'bucket') fixed[node] = 0
  const near = reachesOf(machine.waterNodes, upstream, fixed).find((r) => r.stretches.some((k) => upstream[k].to === node))
  const sensitivity = new Float64Array(machine.params.length)
  if (!near) return { is: 'value', value: 0, sensitivity }
  const owners = plant.variant.parts.filter((p) => {
    const k = network.of[p.index]
    return (k >= 0 && near.stretches.some((i) => upstream[i] === network.stretches[k])) || Object.values(p.w).some((n) => near.heads.includes(n))
  })
  const measure = (p: Plant): number => {
    const heads = p.heads()
    if (what === 'bucket') heads[node] = 0
    const all = p.waterNow().network.stretches.filter((s) => s.from !== node)
    const stretches = near.stretches.map((k) => all[k])
    const solved = solveWater(machine.waterNodes, stretches, heads)
    if (what === 'pressure') return solved.pressure[node]
    return stretches.reduce((q, s, k) => q + (s.to === node ? solved.flow[k] : 0), 0)
  }
  const value = measure(plant)
  for (const { param, values } of raised(plant, owners)) {
    if (param === 0) continue
    sensitivity[param] = measure(new Plant(withValues(plant.variant, values), plant.m, plant.x, plant.since)) - value
  }
  return { is: 'value', value: Math.max(0, value), sensitivity }
}

/** A healthy machine at rest, for looking at what a part is. */
export const plantAtRest = (machine: Machine): Plant =>
  new Plant(makeVariant(machine), machine.modes.slice(), machine.states.slice(), new Float64Array(machine.modes.length))

