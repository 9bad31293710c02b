import { ampsThrough, portAt, portChange, solveCircuit, type Component, type Port, type Solution } from '../circuit'
import type { Part } from '../kinds'
import { makeVariant, type Machine } from '../machine'
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

/**
 * Parameters that have a tolerance, one after another one standard deviation up, in one scratch copy of the plant:
 * only what `stamp` gives may be asked of it. Parts that a parameter touches are its owners.
 */
function* raised(
  plant: Plant,
  own: readonly Part[],
): Generator<{ param: number; scratch: Plant; owners: readonly Part[] }> {
  const { machine } = plant.variant
  const values = plant.v.slice()
  const scratch = new Plant({ ...plant.variant, values }, plant.m, plant.x, plant.since)
  const up = function* (param: number, owners: readonly Part[]) {
    const { sd } = machine.params[param]
    if (sd === 0) return
    values[param] += sd
    yield { param, scratch, owners }
    values[param] -= sd
  }
  for (const part of own) {
    const one = [part]
    for (const index of Object.values(part.param)) yield* up(index, one)
  }
  yield* up(0, own)
}

/** The components of some parts as they stand in a plant, modes unchanged. */
function stampOf(plant: Plant, owners: readonly Part[]): Component[] {
  const out: Component[] = []
  for (const part of owners) plant.variant.machine.kinds[part.index].stamp?.(part, plant, (c) => out.push(c))
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
  const wired = plant.variant.parts.filter((p) => plant.variant.machine.kinds[p.index].stamp)
  for (const { param, scratch, owners } of raised(plant, wired)) {
    const before = owners.flatMap((p) => plant.componentsOf(p))
    const after = stampOf(scratch, owners)
    const pairs = before.flatMap((c, i): [Component, Component][] =>
      after[i] && changed(c, after[i]) ? [[c, after[i]]] : [],
    )
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
    sensitivity: port.connected
      ? portSensitivity(plant, s, port, loaded)
      : new Float64Array(plant.variant.machine.params.length),
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
  const own = lifted ? [part] : plant.variant.parts
  const value = ohmsWith([...stampOf(plant, own), ...(lifted ? [] : plant.variant.extra)])
  const sensitivity = new Float64Array(machine.params.length)
  if (value > (meter.range ?? Infinity)) return { is: 'open', value: Infinity, sensitivity }
  for (const { param, scratch } of raised(plant, own))
    sensitivity[param] = ohmsWith([...stampOf(scratch, own), ...(lifted ? [] : plant.variant.extra)]) - value
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
  const near = reachesOf(machine.waterNodes, upstream, fixed).find((r) =>
    r.stretches.some((k) => upstream[k].to === node),
  )
  const sensitivity = new Float64Array(machine.params.length)
  if (!near) return { is: 'value', value: 0, sensitivity }
  const owners = plant.variant.parts.filter((p) => {
    const k = network.of[p.index]
    return (
      (k >= 0 && near.stretches.some((i) => upstream[i] === network.stretches[k])) ||
      Object.values(p.w).some((n) => near.heads.includes(n))
    )
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
  for (const part of owners)
    for (const param of Object.values(part.param)) {
      const { sd } = machine.params[param]
      if (sd === 0) continue
      const values = plant.v.slice()
      values[param] += sd
      sensitivity[param] = measure(new Plant({ ...plant.variant, values }, plant.m, plant.x, plant.since)) - value
    }
  return { is: 'value', value: Math.max(0, value), sensitivity }
}

/** A healthy machine at rest, for looking at what a part is. */
export const plantAtRest = (machine: Machine): Plant =>
  new Plant(makeVariant(machine), machine.modes.slice(), machine.states.slice(), new Float64Array(machine.modes.length))
