import type { HandAct } from '../evidence'
import type { Machine } from '../model/machine'

/** The parts (indices) that a repair is done on: of every fault that it cures. */
export function repairedParts({ sheet, partIndex }: Machine, repair: number): number[] {
  const { id } = sheet.repairs[repair]
  const faults = sheet.faults.filter((f) => f.repair === id || f.instead.includes(id))
  return [...new Set(faults.map((f) => partIndex.get(f.part)!))]
}

/**
 * What hands do for a repair, from where its parts sit and what hangs on them: behind a panel it is opened; terminals are
 * touched where it has any; a joint comes off where water goes through it and does not run out freely. What is worked by hand
 * from outside, as a tap or a plug, asks for nothing.
 *
 * @param repair index of the repair
 */
export function repairActsOf(machine: Machine, repair: number): HandAct[] {
  const { parts, kinds } = machine
  const acts = new Set<HandAct>()
  for (const part of repairedParts(machine, repair)) {
    const { index, panel, nodes, ports } = parts[part]
    const { manual, conductors, isolates, openPorts } = kinds[index]
    if (panel !== undefined) acts.add('open')
    else if (manual || conductors || isolates) continue
    if (Object.keys(nodes).length) acts.add('terminals')
    if (Object.keys(ports).length && !openPorts) acts.add('hose')
  }
  return [...acts]
}
