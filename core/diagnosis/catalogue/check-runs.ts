import { problem, type Problem } from '../../foundation/issues'
import { makeFaultedMachine, severityAt, SEVERITY_SAMPLES } from '../../model/machine'
import { newSimulationCache, simulate } from '../../simulation/simulate'
import { PROGRAM_START } from './run-healthy'
import type { TestCatalogue } from './types'

/**
 * What only shows when a machine is run: a phase that the healthy machine enters and never leaves though it is not
 * final, a phase that no run comes to, healthy or with any one fault, and a test whose moment never comes.
 */
export function checkRuns({ machine, healthy, runs, procedures }: TestCatalogue): Problem[] {
  const problems: Problem[] = []
  const plain = runs.filter((r) => !r.interventions.length)
  const reached = new Set<number>()
  for (const { index } of plain)
    for (const phase of machine.phases) {
      const { from, to } = healthy[index].phases[phase.index]
      if (Number.isNaN(from)) continue
      reached.add(phase.index)
      const program = machine.programs[runs[index].program]
      // At the end of its time the machine is switched off: who leaves only then would have stayed.
      const stays = Number.isNaN(to) || to >= PROGRAM_START + program.duration - 1e-6
      if (!phase.final && stays)
        problems.push(
          problem('never-ends', ['phases', phase.id], {
            found: `still there after ${program.title} has run its time`,
            expected: 'an exit that comes true, or final: true',
          }),
        )
    }
  // What never begins has one reason, not one for each phase.
  if (machine.phases.length && !reached.size)
    return [
      problem('never-begins', ['control'], {
        found: 'no program comes to its first phase',
        expected: '"powered" that comes true while the supply is on, and programs that begin a phase',
      }),
    ]
  const missing = () => machine.phases.filter((p) => !reached.has(p.index))
  const cache = newSimulationCache()
  for (const fault of machine.faults) {
    if (!missing().length) break
    for (const severity of fault.severity ? SEVERITY_SAMPLES.map((u) => severityAt(fault.severity!, u)) : [undefined])
      for (const { script } of plain)
        simulate(
          makeFaultedMachine(machine, [{ fault, severity }]),
          { ...script, moments: [], watches: undefined },
          cache,
        ).phases.forEach((p, i) => {
          if (!Number.isNaN(p.from)) reached.add(i)
        })
  }
  for (const phase of missing())
    problems.push(
      problem('never-reached', ['phases', phase.id], {
        found: phase.id,
        expected: 'a way to it in some program, or under some fault',
      }),
    )
  for (const test of machine.tests)
    if (!procedures.some((p) => p.id === test.id))
      problems.push(
        problem('never-runs', ['tests', test.id, 'moment'], {
          found: test.moment,
          expected: 'a moment that the healthy machine comes to',
        }),
      )
  return problems
}
