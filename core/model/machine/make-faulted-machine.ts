import type { Component } from '../../physics/circuit'
import type { Part } from '../kinds'
import type { Intervention, Machine, ActiveFault, FaultedMachine } from './types'

/** Resistance of a jumper lead with its clips, Ω. */
const JUMPER_OHMS = 0.05

/**
 * Puts faults and interventions into a machine. The machine stays as it is.
 *
 * @param activeFaults the faults, applied one after another in this order
 * @param interventions what hands have done
 * @param values parameter values to start from; the machine's nominal values when left out
 */
export function makeFaultedMachine(
  machine: Machine,
  activeFaults: readonly ActiveFault[] = [],
  interventions: readonly Intervention[] = [],
  values: Float64Array = machine.values,
): FaultedMachine {
  const v = values.slice()
  const standardDeviations = Float64Array.from(machine.params, (p) => p.sd)
  const heldModes = new Int8Array(machine.modes.length).fill(-1)
  // Nobody is rewired as a rule: the parts are the machine's own.
  let parts: readonly Part[] = machine.parts
  const isRepaired = ({ fault }: ActiveFault) =>
    interventions.some((e) => e.repair !== undefined && fault.curedBy.includes(e.repair))
  const acts = (p: ActiveFault) => p.missProbability === undefined && !isRepaired(p)
  for (const { fault, severity } of activeFaults.filter(acts))
    for (const e of fault.effects) {
      if (e.type === 'mode') heldModes[e.mode] = e.value
      else if (e.type === 'param') {
        const value = e.value === 'severity' ? severity! : e.value
        if (e.op === 'to') standardDeviations[e.param] = 0
        else if (e.op === 'times') standardDeviations[e.param] *= Math.abs(value)
        v[e.param] = e.op === 'to' ? value : e.op === 'times' ? v[e.param] * value : v[e.param] + value
      } else {
        const [a, b] = [parts[e.partA][e.medium][e.endA], parts[e.partB][e.medium][e.endB]]
        const put = (index: number, end: string, node: number) => {
          const moved = { ...parts[index], [e.medium]: { ...parts[index][e.medium], [end]: node } }
          parts = parts.with(index, moved)
        }
        put(e.partA, e.endA, b)
        put(e.partB, e.endB, a)
      }
    }
  const addedComponents: Component[] = []
  let { nodeCount } = machine
  for (const intervention of interventions) {
    if (intervention.hold) heldModes[intervention.hold.mode] = intervention.hold.value
    if (intervention.leads) {
      const [one, other] = intervention.leads
      const [a, b] = [parts[one], parts[other]]
      parts = parts.with(one, { ...a, nodes: b.nodes }).with(other, { ...b, nodes: a.nodes })
    }
    if (intervention.lifted !== undefined) {
      const part = parts[intervention.lifted]
      const nodes = { ...part.nodes, [machine.kinds[part.index].terminals[0]]: nodeCount++ }
      parts = parts.with(part.index, { ...part, nodes })
    }
    if (intervention.jumper !== undefined) {
      const { terminals } = machine.kinds[intervention.jumper]
      const { nodes } = parts[intervention.jumper]
      addedComponents.push({ type: 'R', a: nodes[terminals[0]], b: nodes[terminals[1]], ohms: JUMPER_OHMS })
    }
  }
  return { machine, parts, nodeCount, values: v, standardDeviations, heldModes, addedComponents }
}
