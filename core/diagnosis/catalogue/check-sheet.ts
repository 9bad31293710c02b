import type { Problem } from '../../foundation/issues'
import { buildMachine } from '../../model/machine'
import type { Sheet } from '../../model/sheet'
import { buildCatalogue } from './build-catalogue'
import { checkComplaints } from './check-complaints'
import { checkConnections } from './check-connections'
import { checkRuns } from './check-runs'
import { checkUntested } from './check-untested'

/**
 * Everything that is wrong with a sheet whose shape is right: how its parts are joined first; where that is sound, what its runs show.
 *
 * @throws InputError `limit-reached` where a run does not come to rest
 */
export function checkSheet(sheet: Sheet): Problem[] {
  const machine = buildMachine(sheet)
  const unsound = checkConnections(machine)
  if (unsound.length) return unsound
  const catalogue = buildCatalogue(machine)
  return [...checkUntested(catalogue), ...checkRuns(catalogue), ...checkComplaints(catalogue)]
}
