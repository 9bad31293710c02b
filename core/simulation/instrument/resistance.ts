import { dcVoltsBetween, portBetween, solveCircuit, type Component } from '../../physics/circuit'
import type { Part } from '../../model/kinds'
import type { OperatingPoint } from '../simulate'
import type { Indication } from './indication'
import type { Meter } from './meters'
import { perturbedPoints, stampsOf } from './perturbed-points'
import { shareBelow } from './threshold'

/** Above this a point counts as live for an ohmmeter, V. */
const LIVE_ABOVE = 1

/** Whether a supply stands between two points. What a control makes for its own inputs is dead with the control. */
function isFed(point: OperatingPoint, a: number, b: number): boolean {
  if (point.volts(a, b) <= LIVE_ABOVE) return false
  const steady = Math.abs(point.dcVolts(a, b))
  if (Math.sqrt(Math.max(0, point.volts(a, b) ** 2 - steady ** 2)) > LIVE_ABOVE) return true
  const { machine, parts } = point.faulted
  const supplied = parts.flatMap((part) => {
    const own = stampsOf(point, [part])
    return machine.kinds[part.index].returns?.of === 'supply'
      ? own
      : own.map((c) => (c.type === 'VDC' ? { ...c, volts: 0 } : c))
  })
  return Math.abs(dcVoltsBetween(solveCircuit(machine.nodeCount, supplied, 'dc', 0), a, b)) > LIVE_ABOVE
}

/**
 * Ohms between two nodes. `alone`: that part by itself, its leads lifted; otherwise the network as it stands, which must
 * be dead: where a voltage stands between the points the meter is refused.
 */
export function resistanceIndication(
  point: OperatingPoint,
  meter: Meter,
  a: number,
  b: number,
  alone?: Part,
): Indication {
  const { machine, parts, addedComponents } = point.faulted
  const sensitivity = new Float64Array(machine.params.length)
  if (!alone && isFed(point, a, b)) return { type: 'refused', value: NaN, sensitivity }
  const ohmsWith = (components: readonly Component[]): number => {
    // Sources are cut or dead; a rectifier blocks the small voltage of an ohmmeter.
    const dead = components
      .filter((c) => c.type !== 'RECT')
      .map((c) => (c.type === 'VAC' || c.type === 'VDC' ? { ...c, volts: 0 } : c))
    const port = portBetween(solveCircuit(machine.nodeCount, dead, 'dc', 0), a, b)
    return port.connected ? port.zRe : Infinity
  }
  const measured = alone ? [alone] : parts
  const added = alone ? [] : addedComponents
  const value = ohmsWith([...stampsOf(point, measured), ...added])
  if (value > (meter.range ?? Infinity)) return { type: 'open', value: Infinity, sensitivity }
  for (const { param, point: perturbed } of perturbedPoints(point, measured))
    sensitivity[param] = ohmsWith([...stampsOf(perturbed, measured), ...added]) - value
  return { type: 'value', value, sensitivity }
}

/** Probability that a beeper sounds on a resistance, 0 … 1: its limit in Ω differs from meter to meter. */
export const beeperProbability = (shown: Indication, meter: Meter): number =>
  shown.type === 'value' ? 1 - shareBelow(Math.max(shown.value, 1e-9), meter.threshold!) : 0
