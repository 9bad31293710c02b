import { problem, type Problem } from '../../foundation/issues'
import { makeFaultedMachine, severityAt, SEVERITY_SAMPLES } from '../../model/machine'
import { newSimulationCache, simulate } from '../../simulation/simulate'
import type { TestCatalogue } from './types'

/**
 * Complaints of a sheet that no fault of it brings about, at any of its severities, in any program that customers run: whoever
 * makes one is led round by what was misheard.
 */
export function checkComplaints({ machine, runs }: TestCatalogue): Problem[] {
  const plain = runs.filter((r) => !r.interventions.length && machine.programs[r.program].serviceMinutes === undefined)
  const missing = new Set(machine.complaints.map((c) => c.index))
  const cache = newSimulationCache()
  for (const fault of machine.faults) {
    if (!missing.size) break
    for (const severity of fault.severity ? SEVERITY_SAMPLES.map((u) => severityAt(fault.severity!, u)) : [undefined]) {
      const faulted = makeFaultedMachine(machine, [{ fault, severity }])
      for (const { script } of plain)
        simulate(faulted, { ...script, moments: [], watches: undefined }, cache).complaints.forEach((made, k) => {
          if (made) missing.delete(k)
        })
    }
  }
  return machine.complaints
    .filter((c) => missing.has(c.index))
    .map((c) =>
      problem('never-complained', ['complaints', c.id], {
        found: 'no fault of the sheet brings it about',
        expected: 'a fault that does, or no such complaint',
      }),
    )
}
