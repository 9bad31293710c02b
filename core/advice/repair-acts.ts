import type { HandAct } from '../evidence'
import type { Machine } from '../model/machine'

/**
 * What hands do for a repair, from where its parts sit and what hangs on them: behind a panel it is opened; terminals are
 * touched where it has any; a joint comes off where water goes through it and does not run out freely. What is worked by hand
 * from outside, as a tap or a plug, asks for nothing.
 *
 * @param repair index of the repair
 */
export function repairActsOf({ sheet, parts, partIndex, kinds }: Machine, repair: number): HandAct[] {
  const { id } = sheet.repairs[repair]
  const acts = new Set<HandAct>()
  for (const fault of sheet.faults) {
    if (fault.repair !== id) continue
    const { index, panel, nodes, ports } = parts[partIndex.get(fault.part)!]
    const { manual, conductors, isolates, openPorts } = kinds[index]
    if (panel !== undefined) acts.add('open')
    else if (manual || conductors || isolates) continue
    if (Object.keys(nodes).length) acts.add('terminals')
    if (Object.keys(ports).length && !openPorts) acts.add('hose')
  }
  return [...acts]
}
