import { writeNetlist, type Solution } from '../../../core/physics/circuit'
import { CHANGED } from './changed-sheets'
import { machineOf, activeFaultsIn, runTo } from './sheets'

export interface NetlistCase {
  analysis: 'ac' | 'dc'
  netlist: string
  solution: Solution
}

/** The netlists of one changed sheet at its moment: AC, and DC where something of it works on DC. */
export function netlistsOf(name: string): NetlistCase[] {
  const { text, phase, faults } = CHANGED[name]
  const machine = machineOf(text)
  const { point } = runTo(
    machine,
    phase,
    ...(faults ?? []).map(([id, severity]) => activeFaultsIn(machine, id, severity)),
  )
  return (['ac', 'dc'] as const)
    .filter((analysis) => point.hasSource(analysis))
    .map((analysis) => {
      const solution = analysis === 'ac' ? point.ac() : point.dc()
      const netlist = writeNetlist(
        name,
        point.components(),
        solution.island,
        analysis,
        machine.sheet.hertz,
        (i) => machine.nodeLabels[i],
      )
      return { analysis, netlist, solution }
    })
}
