import type { Machine } from '../../model/machine'
import { AccessPaths } from './access-path'
import { codeTests, connectionTests, phaseTests, sheetTests } from './machine-tests'
import { partTests } from './part-tests'
import { runHealthy } from './run-healthy'
import { swapTests } from './swap-tests'
import { stripsOf } from './strips'
import { TestPlacement } from './test-placement'
import type { Procedure, TestCatalogue } from './types'

/**
 * Every test that follows from the machine, plus the special ones of its sheet.
 *
 * The healthy machine is run once per program; a test that waits for its part to be called is placed in the first phase
 * in which the healthy part is active, an idle one before a program is started, or else in the first running phase in
 * which the part is not. What is watched for because it should not be there has a test in each phase without it: which of
 * them tells most hangs on what is suspected.
 */
export function buildCatalogue(machine: Machine): TestCatalogue {
  const runs = runHealthy(machine)
  const placement = new TestPlacement(runs)
  const drafts = [...partTests(runs, placement), ...swapTests(runs, placement)]
  drafts.push(
    ...connectionTests(runs, placement),
    ...phaseTests(runs, placement),
    ...codeTests(runs, placement),
    ...sheetTests(runs, placement),
  )
  const procedures = drafts.map((p, index): Procedure => ({ ...p, index, key: String(index).padStart(5, '0') }))
  return {
    ...runs,
    procedures,
    strips: stripsOf(machine, procedures),
    accessPaths: new AccessPaths(machine),
    customersRun: placement.found?.run ?? 0,
  }
}
