import {
  ampsThrough,
  portBetween,
  portVoltageChange,
  solveCircuit,
  WAVES,
  type Component,
  type Port,
  type Solution,
} from '../../physics/circuit'
import type { Part } from '../../model/kinds'
import { OperatingPoint } from '../simulate'
import { subnetworksOf, solveWater } from '../../physics/water'
import type { Meter } from './meters'

/** Above this a point counts as live for an ohmmeter, V. */
const LIVE_ABOVE = 1

/** What an instrument shows, in SI, with its sensitivity to the machine's parameters (one standard deviation each). */
export interface Indication {
  type: 'value' | 'open' | 'refused'
  value: number
  /** Change of the value for +1 standard deviation of each parameter. */
  sensitivity: Float64Array
}

/**
 * Parameters that have a tolerance, one after another one standard deviation up, in one scratch copy of the operating point:
 * only what `stamp` gives may be asked of it. Parts that a parameter touches are its owners.
 */
function* perturbedPoints(
  point: OperatingPoint,
  own: readonly Part[],
): Generator<{ param: number; scratch: OperatingPoint; owners: readonly Part[] }> {
  const values = point.values.slice()
  const scratch = new OperatingPoint({ ...point.faulted, values }, point.modes, point.states, point.modeSince)
  const up = function* (param: number, owners: readonly Part[]) {
    const sd = point.faulted.standardDeviations[param]
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

/** The components of some parts as they stand in an operating point, modes unchanged. */
function stampOf(point: OperatingPoint, owners: readonly Part[]): Component[] {
  const out: Component[] = []
  for (const part of owners) point.faulted.machine.kinds[part.index].stamp?.(part, point, (c) => out.push(c))
  return out
}

const changed = (a: Component, b: Component): boolean =>
  Object.entries(a).some(([k, x]) => (b as unknown as Record<string, unknown>)[k] !== x)

/** Component changes for +1 sd of each parameter; computed once for an operating point, used by every probe on it. */
interface Perturbation {
  param: number
  pairs: [Component, Component][]
}
const perturbationCache = new WeakMap<object, Perturbation[]>()
function perturbations(point: OperatingPoint, s: Solution): Perturbation[] {
  // What follows the states differs from one operating point to the next on DC alone.
  const owner = s.analysis === 'ac' ? s : point
  const known = perturbationCache.get(owner)
  if (known) return known
  const out: Perturbation[] = []
  const wired = point.faulted.parts.filter((p) => point.faulted.machine.kinds[p.index].stamp)
  for (const { param, scratch, owners } of perturbedPoints(point, wired)) {
    const before = owners.flatMap((p) => point.componentsOf(p))
    const after = stampOf(scratch, owners).map((c, i) => {
      const was = before[i]
      return c.type === 'RECT' && was?.type === 'RECT' ? { ...c, load: was.load, volts: was.volts } : c
    })
    const pairs = before.flatMap((c, i): [Component, Component][] =>
      after[i] && changed(c, after[i]) ? [[c, after[i]]] : [],
    )
    if (pairs.length) out.push({ param, pairs })
  }
  perturbationCache.set(owner, out)
  return out
}

/** Change of the open-circuit voltage of a port, times `loaded`, for +1 sd of each parameter. */
function portSensitivity(point: OperatingPoint, s: Solution, port: Port, loaded: number): Float64Array {
  const out = new Float64Array(point.faulted.machine.params.length)
  const size = Math.hypot(port.re, port.im)
  if (size === 0) return out
  for (const { param, pairs } of perturbations(point, s))
    for (const [before, after] of pairs) {
      const [re, im] = portVoltageChange(s, port, before, after)
      out[param] += (loaded * (port.re * re + port.im * im)) / size
    }
  if (s.analysis === 'dc') addThroughRectifiers(point, s, port, loaded * Math.sign(port.re), out)
  return out
}

/** What moves the AC side of a rectifier moves the mean on its DC side with it. */
function addThroughRectifiers(point: OperatingPoint, s: Solution, port: Port, weight: number, out: Float64Array): void {
  for (const c of s.components) {
    if (c.type !== 'RECT' || !Number.isFinite(c.load)) continue
    const ac = point.ac()
    const side = portBetween(ac, c.a, c.b)
    const gain = (port.adjointRe[c.c] - port.adjointRe[c.d]) / c.ohms
    const through = portSensitivity(point, ac, side, WAVES[c.wave].mean * gain * weight)
    for (let i = 0; i < out.length; i++) out[i] += through[i]
  }
}

/** Share of the mean that an AC-coupled meter still sees in the island of a node: the ripple of its rectifier. */
function rippleAt(dc: Solution, node: number): number {
  const feeding = dc.components.find((c) => c.type === 'RECT' && dc.island[c.c] === dc.island[node])
  return feeding?.type === 'RECT' ? WAVES[feeding.wave].ripple : 0
}

const nothing = (point: OperatingPoint): Indication => ({
  type: 'value',
  value: 0,
  sensitivity: new Float64Array(point.faulted.machine.params.length),
})

/** AC readings already taken on a solution: faulted machines whose circuit is the same share it. */
const taken = new WeakMap<Solution, Map<string, Indication>>()

function voltsOf(point: OperatingPoint, s: Solution, input: number, a: number, b: number): Indication {
  if (s.analysis === 'dc') return freshVolts(point, s, input, a, b)
  let known = taken.get(s)
  if (!known) taken.set(s, (known = new Map()))
  const key = `${input}|${a}|${b}`
  let shown = known.get(key)
  if (!shown) known.set(key, (shown = freshVolts(point, s, input, a, b)))
  return shown
}

function freshVolts(point: OperatingPoint, s: Solution, input: number, a: number, b: number): Indication {
  const port = portBetween(s, a, b)
  if (!port.connected) return nothing(point)
  const loaded = input / Math.hypot(input + port.zRe, port.zIm)
  return {
    type: 'value',
    value: Math.hypot(port.re, port.im) * loaded,
    sensitivity: portSensitivity(point, s, port, loaded),
  }
}

/**
 * Volts between two nodes as the meter shows them: the meter's input is part of the circuit. A meter on AC shows the
 * RMS of the AC part (with the ripple of a rectified part), one on DC the mean, without its sign.
 */
export function voltageIndication(point: OperatingPoint, meter: Meter, a: number, b: number): Indication {
  const input = meter.inputResistance ?? 10e6
  const mean = () => (point.hasSource('dc') ? voltsOf(point, point.dc(), input, a, b) : nothing(point))
  if (meter.coupling === 'dc') return mean()
  const ac = point.hasSource('ac') ? voltsOf(point, point.ac(), input, a, b) : nothing(point)
  if (!point.rectifies) return ac
  const dc = mean()
  const ripple = dc.value === 0 ? 0 : rippleAt(point.dc(), a) * dc.value
  if (ripple === 0) return ac
  const value = Math.hypot(ac.value, ripple)
  return {
    type: 'value',
    value,
    sensitivity: ac.sensitivity.map(
      (x, i) => (ac.value * x + (ripple * ripple * dc.sensitivity[i]) / dc.value) / value,
    ),
  }
}

/**
 * Chance that a neon or non-contact tester glows at a node. It measures against earth, which the return of the
 * supply is bonded to: it sees a live point, never whether a current could return.
 */
export function neonProbability(point: OperatingPoint, meter: Meter, node: number): number {
  const { machine, parts } = point.faulted
  if (!point.hasSource('ac')) return 0
  let volts = 0
  machine.kinds.forEach((kind, i) => {
    if (kind.returns === undefined) return
    volts = Math.max(
      volts,
      voltsOf(point, point.ac(), meter.inputResistance!, node, parts[i].nodes[kind.returns]).value,
    )
  })
  return above(volts, meter.threshold!)
}

/** Share of the thresholds that lie below a value. */
const above = (x: number, { from, to }: { from: number; to: number }): number =>
  x <= from ? 0 : x >= to ? 1 : Math.log(x / from) / Math.log(to / from)

/** Mean of a square wave below which a counter shows nothing, V. */
const COUNTS_ABOVE = 0.5

/** Hertz that a counter shows between two nodes: a signal of the part whose wave stands there, or nothing. */
export const frequencyIndication = (
  point: OperatingPoint,
  part: number,
  signal: string,
  a: number,
  b: number,
): number => (Math.abs(point.dcVolts(a, b)) > COUNTS_ABOVE ? point.signal(part, signal) : 0)

/** Chance that a beeper sounds between two nodes: its limit differs from meter to meter. */
export const beeperProbability = (shown: Indication, meter: Meter): number =>
  shown.type === 'value' ? 1 - above(Math.max(shown.value, 1e-9), meter.threshold!) : 0

/**
 * Ohms between two nodes. `alone`: that part by itself, its terminals taken off; otherwise the network as it stands,
 * which must be dead: where a voltage stands between the points the meter is refused.
 */
export function resistanceIndication(
  point: OperatingPoint,
  meter: Meter,
  a: number,
  b: number,
  alone?: Part,
): Indication {
  const { machine } = point.faulted
  const sensitivity = new Float64Array(machine.params.length)
  if (!alone && point.volts(a, b) > LIVE_ABOVE) return { type: 'refused', value: NaN, sensitivity }
  const ohmsWith = (components: readonly Component[]): number => {
    // Sources are cut or dead; a rectifier blocks the small voltage of an ohmmeter.
    const dead = components
      .filter((c) => c.type !== 'RECT')
      .map((c) => (c.type === 'VAC' || c.type === 'VDC' ? { ...c, volts: 0 } : c))
    const port = portBetween(solveCircuit(machine.nodeCount, dead, 'dc', 0), a, b)
    return port.connected ? port.zRe : Infinity
  }
  const own = alone ? [alone] : point.faulted.parts
  const extra = alone ? [] : point.faulted.addedComponents
  const value = ohmsWith([...stampOf(point, own), ...extra])
  if (value > (meter.range ?? Infinity)) return { type: 'open', value: Infinity, sensitivity }
  for (const { param, scratch } of perturbedPoints(point, own))
    sensitivity[param] = ohmsWith([...stampOf(scratch, own), ...extra]) - value
  return { type: 'value', value, sensitivity }
}

/**
 * Amperes in the lead of a part, as a clamp shows them: the greatest current through any of its components, RMS of
 * AC and DC together.
 */
export function currentIndication(point: OperatingPoint, part: Part): Indication {
  const parts = (['ac', 'dc'] as const)
    .filter((analysis) => point.hasSource(analysis))
    .map((analysis) => ampsIn(point, analysis === 'ac' ? point.ac() : point.dc(), part))
  const [one = nothing(point), two = nothing(point)] = parts
  if (two.value === 0) return one
  const value = Math.hypot(one.value, two.value)
  return {
    type: 'value',
    value,
    sensitivity: one.sensitivity.map((x, i) => (one.value * x + two.value * two.sensitivity[i]) / value),
  }
}

function ampsIn(point: OperatingPoint, s: Solution, part: Part): Indication {
  const none = nothing(point)
  let value = 0
  let lead: Component | undefined
  for (const c of point.componentsOf(part)) {
    const amps = ampsThrough(s, c)
    if (amps > value) [value, lead] = [amps, c]
  }
  if (!lead || lead.type === 'T' || lead.type === 'RECT') return { ...none, value }
  // I = y·V: the change of V comes from the adjoint, the change of y from the component itself.
  const port = portBetween(s, lead.a, lead.b)
  const size = Math.hypot(port.re, port.im)
  if (size === 0) return { ...none, value }
  const sensitivity = portSensitivity(point, s, port, value / size)
  for (const { param, pairs } of perturbations(point, s))
    for (const [before, after] of pairs) if (before === lead) sensitivity[param] += ampsThrough(s, after) - value
  return { type: 'value', value, sensitivity }
}

/** Water readings already taken on a network, by the pressures that bound it. */
const drawn = new WeakMap<object, Map<string, Indication>>()

/** Pressure at a water port with nothing flowing beyond it, or the flow out of it into a bucket. */
export function waterIndication(
  point: OperatingPoint,
  part: Part,
  port: string,
  what: 'pressure' | 'bucket',
): Indication {
  const { network } = point.waterSolution()
  let known = drawn.get(network)
  if (!known) drawn.set(network, (known = new Map()))
  const key = `${part.ports[port]}|${what}|${point.fixedPressures().join()}`
  let shown = known.get(key)
  if (!shown) known.set(key, (shown = drawWater(point, part.ports[port], what)))
  return shown
}

function drawWater(point: OperatingPoint, node: number, what: 'pressure' | 'bucket'): Indication {
  const { machine } = point.faulted
  const { network } = point.waterSolution()
  // The joint behind the port is undone: what lies downstream of it is not there.
  const upstream = network.links.filter((s) => s.from !== node)
  const fixed = point.fixedPressures()
  if (what === 'bucket') fixed[node] = 0
  const near = subnetworksOf(machine.waterNodeCount, upstream, fixed).find((r) =>
    r.links.some((k) => upstream[k].to === node),
  )
  const sensitivity = new Float64Array(machine.params.length)
  if (!near) return { type: 'value', value: 0, sensitivity }
  const measure = (p: OperatingPoint): number => {
    const pressures = p.fixedPressures()
    if (what === 'bucket') pressures[node] = 0
    const all = p.links().filter((s) => s.from !== node)
    const links = near.links.map((k) => all[k])
    const solved = solveWater(machine.waterNodeCount, links, pressures)
    if (what === 'pressure') return solved.pressure[node]
    return links.reduce((q, s, k) => q + (s.to === node ? solved.flow[k] : 0), 0)
  }
  const value = measure(point)
  const owners = point.faulted.parts.filter((p) => {
    const k = network.of[p.index]
    return (
      (k >= 0 && near.links.some((i) => upstream[i] === network.links[k])) ||
      Object.values(p.ports).some((n) => near.boundaryNodes.includes(n))
    )
  })
  const values = point.values.slice()
  const scratch = new OperatingPoint({ ...point.faulted, values }, point.modes, point.states, point.modeSince)
  for (const part of owners)
    for (const param of Object.values(part.param)) {
      const sd = point.faulted.standardDeviations[param]
      if (sd === 0) continue
      values[param] += sd
      sensitivity[param] = measure(scratch) - value
      values[param] -= sd
    }
  return { type: 'value', value: Math.max(0, value), sensitivity }
}
