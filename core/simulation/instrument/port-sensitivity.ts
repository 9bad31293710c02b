import { portBetween, portVoltageChange, WAVES, type Component, type Port, type Solution } from '../../physics/circuit'
import type { OperatingPoint } from '../simulate'
import { cached } from './indication'
import { perturbedPoints, stampsOf } from './perturbed-points'

/** Components that change for +1 standard deviation of a parameter, before and after. */
export interface Perturbation {
  param: number
  pairs: [Component, Component][]
}

const differs = (a: Component, b: Component): boolean =>
  Object.entries(a).some(([k, x]) => (b as unknown as Record<string, unknown>)[k] !== x)

/** Component changes for +1 standard deviation of each parameter; found once, used by every reading of the solution. */
export function perturbations(point: OperatingPoint, s: Solution): Perturbation[] {
  // What follows the states differs from one operating point to the next on DC alone.
  return cached(point, s.analysis === 'ac' ? s : point, 'perturbations', () => findPerturbations(point))
}

function findPerturbations(point: OperatingPoint): Perturbation[] {
  const { parts, machine } = point.faulted
  const out: Perturbation[] = []
  const wired = parts.filter((p) => machine.kinds[p.index].stamp)
  for (const perturbed of perturbedPoints(point, wired)) {
    const before = perturbed.owners.flatMap((p) => point.componentsOf(p))
    const after = stampsOf(perturbed.point, perturbed.owners).map((c, i) => {
      const was = before[i]
      return c.type === 'RECT' && was?.type === 'RECT' ? { ...c, load: was.load, volts: was.volts } : c
    })
    const pairs = before.flatMap((c, i): [Component, Component][] =>
      after[i] && differs(c, after[i]) ? [[c, after[i]]] : [],
    )
    if (pairs.length) out.push({ param: perturbed.param, pairs })
  }
  return out
}

/**
 * Change of the open-circuit voltage of a port, times `weight`, for +1 standard deviation of each parameter.
 *
 * @returns volts by parameter
 */
export function portSensitivity(point: OperatingPoint, s: Solution, port: Port, weight: number): Float64Array {
  const out = new Float64Array(point.faulted.machine.params.length)
  const size = Math.hypot(port.re, port.im)
  if (size === 0) return out
  for (const { param, pairs } of perturbations(point, s))
    for (const [before, after] of pairs) {
      const [re, im] = portVoltageChange(s, port, before, after)
      out[param] += (weight * (port.re * re + port.im * im)) / size
    }
  if (s.analysis === 'dc') addThroughRectifiers(point, s, port, weight * Math.sign(port.re), out)
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
