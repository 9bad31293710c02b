import type { Component } from '../physics/circuit'
import type { Part } from '../model/kinds'
import type { Edit, Machine, Present, Variant } from './types'

/** Resistance of a jumper lead with its clips, Ω. */
const JUMPER_OHMS = 0.05

/**
 * Puts faults and edits into a machine. The machine stays as it is.
 *
 * @param present the faults, applied one after another in this order
 * @param edits what hands have done
 * @param values parameter values to start from; the machine's nominal values when left out
 */
export function makeVariant(
  machine: Machine,
  present: readonly Present[] = [],
  edits: readonly Edit[] = [],
  values: Float64Array = machine.values,
): Variant {
  const v = values.slice()
  const sds = Float64Array.from(machine.params, (p) => p.sd)
  const held = new Int8Array(machine.modes.length).fill(-1)
  // Nobody is rewired as a rule: the parts are the machine's own.
  let parts: readonly Part[] = machine.parts
  const repaired = new Set(edits.map((e) => e.repair))
  const acts = (p: Present) => p.misses === undefined && !repaired.has(p.fault.repair)
  for (const { fault, severity } of present.filter(acts))
    for (const e of fault.effects) {
      if (e.is === 'mode') held[e.mode] = e.value
      else if (e.is === 'param') {
        const value = e.value === 'severity' ? severity! : e.value
        if (e.op === 'to') sds[e.param] = 0
        else if (e.op === 'times') sds[e.param] *= Math.abs(value)
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
  const extra: Component[] = []
  for (const edit of edits) {
    if (edit.hold) held[edit.hold.mode] = edit.hold.value
    if (edit.jumper !== undefined) {
      const { terminals } = machine.kinds[edit.jumper]
      const { nodes } = parts[edit.jumper]
      extra.push({ type: 'R', a: nodes[terminals[0]], b: nodes[terminals[1]], ohms: JUMPER_OHMS })
    }
  }
  return { machine, parts, values: v, sds, held, extra }
}
