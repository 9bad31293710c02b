import type { Component } from '../physics/circuit'
import { PLAIN_LINK, type WaterLink } from '../physics/water'
import type { Part } from '../model/kinds'
import type { Meter } from '../simulation/instrument'
import { plainVolts, solveBoth } from './circuit'
import type { PlainPoint } from './plain-point'
import { waterSolver } from './water'

/** Volts as a meter shows them: it is one more resistor (Ω) in the network, which is solved again as a whole. */
export function voltsWith(
  point: PlainPoint,
  a: number,
  b: number,
  { inputResistance: input, coupling }: Meter,
): number {
  const loaded: Component[] = [...point.electrics.components().components, { type: 'R', a, b, ohms: input! }]
  const { ac, dc } = solveBoth(point.faulted.nodeCount, loaded, point.omega)
  return plainVolts(coupling === 'dc' ? dc : ac, a, b)
}

/** One volt behind 10 kΩ is put across the points; the resistance follows from what is left of it. @param alone that part with its leads lifted */
export function ohmsOf(point: PlainPoint, a: number, b: number, alone: Part | undefined): number {
  const { machine, nodeCount } = point.faulted
  const own: Component[] = []
  if (alone) machine.kinds[alone.index].stamp?.(alone, point, (c) => own.push(c))
  else own.push(...point.electrics.components().components)
  const dead = own
    .filter((c) => c.type !== 'RECT')
    .map((c) => (c.type === 'VAC' || c.type === 'VDC' ? { ...c, volts: 0 } : c))
  const { dc } = solveBoth(nodeCount, [...dead, { type: 'VDC', a, b, ohms: 1e4, volts: 1 }], 1)
  const volts = plainVolts(dc, a, b)
  return volts > 1 - 1e-9 ? Infinity : (1e4 * volts) / (1 - volts)
}

/** The node that a reading from a terminal to the return is taken against: where the lead is put as the sheet is wired. */
export function returnNode({ faulted }: PlainPoint, part: number, terminal: string): number {
  const { parts, returnAt } = faulted.machine
  const to = returnAt[parts[part].nodes[terminal]]!
  return faulted.parts[to.part].nodes[to.terminal]
}

/** What comes to a water node as all runs, m³/s. */
export function flowInto(point: PlainPoint, node: number): number {
  const { links } = point.water.links()
  const fixedPressures = point.water.fixedPressures().slice()
  const flow = waterSolver(links, fixedPressures)(fixedPressures)
  return links.reduce((q, s, k) => q + (s.to === node ? flow[k] : 0), 0)
}

/** Opens a joint and lets the water run into a bucket (m³/s), or through a needle of known resistance before a gauge (Pa). */
export function waterAt(point: PlainPoint, node: number, quantity: 'pressure' | 'bucket'): number {
  const upstream = point.water.links().links.filter((s) => s.from !== node)
  const fixedPressures = point.water.fixedPressures().slice()
  if (quantity === 'bucket') {
    fixedPressures[node] = 0
    const flow = waterSolver(upstream, fixedPressures)(fixedPressures)
    return upstream.reduce((q, s, k) => q + (s.to === node ? flow[k] : 0), 0)
  }
  const needle: WaterLink = {
    ...PLAIN_LINK,
    from: node,
    to: fixedPressures.length,
    quadratic: 1e22,
    linear: 0,
  }
  const open = Float64Array.from([...fixedPressures, 0])
  const q = waterSolver([...upstream, needle], open)(open)[upstream.length]
  return needle.quadratic * q * q
}
