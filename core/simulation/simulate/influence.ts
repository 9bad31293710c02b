import type { Component } from '../../physics/circuit'
import type { WaterLink } from '../../physics/water'
import type { Part } from '../../model/kinds'
import type { Machine } from '../../model/machine'
import type { Influence, SimulationCache } from './cache'
import { UnsolvedPoint } from './unsolved-point'

/** A machine whose modes and values are tried one after another. */
interface Trial extends Pick<Influence, 'onCircuit' | 'onWater'> {
  machine: Machine
  modes: Int8Array
  values: Float64Array
  point: UnsolvedPoint
}

/** What a part gives to the circuit and to the water network as it stands, as texts to compare. */
function stampsOf({ machine, point }: Trial, part: Part): { circuit: string; water: string } {
  const kind = machine.kinds[part.index]
  const components: Component[] = []
  const links: WaterLink[] = []
  kind.stamp?.(part, point, (c) => components.push(c))
  kind.links?.(part, point, (s) => links.push(s))
  return { circuit: JSON.stringify(components), water: JSON.stringify(links) }
}

/** Parameters that a part's stamps may depend on: ambient, its own, and those of what it refers to (the water that a probe stands in). */
const paramsOf = ({ parts }: Machine, part: Part): number[] => [
  ...new Set([
    0,
    ...Object.values(part.param),
    ...Object.values(part.ref).flatMap((other) => Object.values(parts[other].param)),
  ]),
]

/** Marks the parameters that change a part's stamps in the modes as they are. @returns the stamps */
function tryParams(trial: Trial, part: Part): { circuit: string; water: string } {
  const { machine, values, onCircuit, onWater } = trial
  const { stamp, links } = machine.kinds[part.index]
  const nominal = stampsOf(trial, part)
  for (const i of paramsOf(machine, part)) {
    if ((!stamp || onCircuit.param[i]) && (!links || onWater.param[i])) continue
    values[i] = machine.values[i] * 1.01 + 1e-6
    const moved = stampsOf(trial, part)
    values[i] = machine.values[i]
    if (moved.circuit !== nominal.circuit) onCircuit.param[i] = 1
    if (moved.water !== nominal.water) onWater.param[i] = 1
  }
  return nominal
}

/** Tries every combination of a part's own modes, and each parameter in them. */
function tryPart(trial: Trial, part: Part): void {
  const { machine, modes, onCircuit, onWater } = trial
  const kind = machine.kinds[part.index]
  const own = (kind.modes ?? []).map((spec) => ({ index: part.mode[spec.name], count: spec.values.length }))
  const combinations = own.reduce((n, { count }) => n * count, 1)
  const stamps = Array.from({ length: combinations }, (_, code) => {
    let rest = code
    for (const { index, count } of own) {
      modes[index] = rest % count
      rest = Math.floor(rest / count)
    }
    return tryParams(trial, part)
  })
  let step = 1
  for (const { index, count } of own) {
    stamps.forEach((stamp, code) => {
      const other = stamps[Math.floor(code / step) % count === count - 1 ? code - (count - 1) * step : code + step]
      if (stamp.circuit !== other.circuit) onCircuit.mode[index] = 1
      if (stamp.water !== other.water) onWater.mode[index] = 1
    })
    step *= count
    modes[index] = machine.modes[index]
  }
}

/**
 * Which modes and parameters change the circuit and which the water network: found by trying every combination of each
 * part's own modes, and each parameter in them, once per machine.
 */
export function influenceOf(machine: Machine, cache: SimulationCache): Influence {
  const known = cache.influence.get(machine)
  if (known) return known
  const marks = () => ({ mode: new Uint8Array(machine.modes.length), param: new Uint8Array(machine.params.length) })
  const [onCircuit, onWater] = [marks(), marks()]
  const modes = machine.modes.slice()
  const values = machine.values.slice()
  const trial = { machine, modes, values, onCircuit, onWater, point: new UnsolvedPoint(machine, values, modes) }
  for (const part of machine.parts) {
    const { stamp, links } = machine.kinds[part.index]
    if (stamp ?? links) tryPart(trial, part)
  }
  const chosen = (on: Uint8Array) => Int32Array.from([...on.keys()].filter((i) => on[i]))
  const influence = { circuit: chosen(onCircuit.mode), water: chosen(onWater.mode), onCircuit, onWater }
  cache.influence.set(machine, influence)
  return influence
}
