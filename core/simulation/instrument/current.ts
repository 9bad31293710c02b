import { ampsThrough, portBetween, type Component, type Solution } from '../../physics/circuit'
import type { Part } from '../../model/kinds'
import type { OperatingPoint } from '../simulate'
import { zeroIndication, type Indication } from './indication'
import { perturbations, portSensitivity } from './port-sensitivity'

/**
 * Amperes in the lead of a part, as a clamp shows them: the greatest current through any of its components, RMS of
 * AC and DC together.
 *
 * @param at terminal whose lead is clamped; left out, whichever carries most
 */
export function currentIndication(point: OperatingPoint, part: Part, at?: string): Indication {
  const node = at === undefined ? undefined : part.nodes[at]
  const shown = (['ac', 'dc'] as const)
    .filter((analysis) => point.hasSource(analysis))
    .map((analysis) => currentOf(point, analysis === 'ac' ? point.ac() : point.dc(), part, node))
  const [one = zeroIndication(point), two = zeroIndication(point)] = shown
  if (two.value === 0) return one
  const value = Math.hypot(one.value, two.value)
  return {
    type: 'value',
    value,
    sensitivity: one.sensitivity.map((x, i) => (one.value * x + two.value * two.sensitivity[i]) / value),
  }
}

function currentOf(point: OperatingPoint, s: Solution, part: Part, node: number | undefined): Indication {
  const none = zeroIndication(point)
  let value = 0
  let lead: Component | undefined
  for (const c of point.componentsOf(part)) {
    if (node !== undefined && c.a !== node && c.b !== node) continue
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
