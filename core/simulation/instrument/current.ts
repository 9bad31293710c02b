import { ampsThrough, portBetween, type Component, type Solution } from '../../physics/circuit'
import type { Part } from '../../model/kinds'
import type { OperatingPoint } from '../simulate'
import { zeroIndication, type Indication } from './indication'
import { perturbations, portSensitivity } from './port-sensitivity'

/**
 * Amperes in the lead of a part, as a clamp shows them: the greatest current through any of its components, RMS of
 * AC and DC together.
 */
export function currentIndication(point: OperatingPoint, part: Part): Indication {
  const shown = (['ac', 'dc'] as const)
    .filter((analysis) => point.hasSource(analysis))
    .map((analysis) => currentOf(point, analysis === 'ac' ? point.ac() : point.dc(), part))
  const [one = zeroIndication(point), two = zeroIndication(point)] = shown
  if (two.value === 0) return one
  const value = Math.hypot(one.value, two.value)
  return {
    type: 'value',
    value,
    sensitivity: one.sensitivity.map((x, i) => (one.value * x + two.value * two.sensitivity[i]) / value),
  }
}

function currentOf(point: OperatingPoint, s: Solution, part: Part): Indication {
  const none = zeroIndication(point)
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
