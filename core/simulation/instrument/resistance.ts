import {
  conductanceChanges,
  dcVoltsBetween,
  portBetween,
  portResistanceChange,
  solveCircuit,
  type Component,
  type Solution,
} from '../../physics/circuit'
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
  const { machine, parts, nodeCount } = point.faulted
  const supplied = parts.flatMap((part) => {
    const own = stampsOf(point, [part])
    return machine.kinds[part.index].returns?.of === 'supply'
      ? own
      : own.map((c) => (c.type === 'VDC' ? { ...c, volts: 0 } : c))
  })
  return Math.abs(dcVoltsBetween(solveCircuit(nodeCount, supplied, 'dc', 0), a, b)) > LIVE_ABOVE
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
  const { machine, parts, nodeCount, addedComponents } = point.faulted
  const sensitivity = new Float64Array(machine.params.length)
  if (!alone && isFed(point, a, b)) return { type: 'refused', value: NaN, sensitivity }
  const measured = alone ? [alone] : parts
  const stamps = measured.map((part) => passive(stampsOf(point, [part])))
  const added = alone ? [] : passive(addedComponents)
  const solved = (own: readonly Component[]) => solveCircuit(nodeCount, [...own, ...added], 'dc', 0)
  const solution = solved(stamps.flat())
  const port = portBetween(solution, a, b)
  if (!port.connected || port.zRe > (meter.range ?? Infinity)) return { type: 'open', value: Infinity, sensitivity }
  // What shares no loop with the two points moves nothing between them.
  const near = measured.flatMap((part, k) => (stamps[k].some((c) => isJoinedTo(solution, c, a)) ? [{ part, k }] : []))
  const place = new Map(near.map(({ part, k }) => [part, k]))
  const nearParts = near.map(({ part }) => part)
  for (const { param, point: perturbed, owners } of perturbedPoints(point, nearParts)) {
    const before = owners.flatMap((part) => stamps[place.get(part)!])
    const after = passive(stampsOf(perturbed, owners))
    const changes = conductanceChanges(before, after)
    if (changes?.length === 1) sensitivity[param] += portResistanceChange(solution, port, changes[0])
    else if (changes?.length !== 0) {
      const others = stamps.flatMap((own, k) => (owners.includes(measured[k]) ? [] : own))
      sensitivity[param] = portBetween(solved([...others, ...after]), a, b).zRe - port.zRe
    }
  }
  return { type: 'value', value: port.zRe, sensitivity }
}

/** What an ohmmeter sees of components: sources are cut or dead; a rectifier blocks its small voltage. */
const passive = (components: readonly Component[]): Component[] =>
  components
    .filter((c) => c.type !== 'RECT')
    .map((c) => (c.type === 'VAC' || c.type === 'VDC' ? { ...c, volts: 0 } : c))

const isJoinedTo = ({ island }: Solution, c: Component, node: number): boolean =>
  island[c.a] === island[node] || (c.type === 'T' && island[c.c] === island[node])

/** Probability that a beeper sounds on a resistance, 0 … 1: its limit in Ω differs from meter to meter. */
export const beeperProbability = (shown: Indication, meter: Meter): number =>
  shown.type === 'value' ? 1 - shareBelow(Math.max(shown.value, 1e-9), meter.threshold!) : 0
