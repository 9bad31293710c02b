import { buildCatalogue, checkComplaints, checkRuns, checkUntested } from '../../core/diagnosis/catalogue'
import { InputError, orThrow } from '../../core/foundation/result'
import { buildMachine } from '../../core/model/machine'
import { readSheetWithSource } from '../../core/model/sheet'
import type { Command } from '../command'
import { fail, sourceOf } from '../input'
import { findShipped } from '../library'

/** Reads and runs sheets, and says every mistake in them. */
export const check: Command = {
  name: 'check',
  usage: 'SHEET...',
  options: {},
  run(sheets) {
    if (!sheets.length) fail('missing', ['SHEET'], 'nothing', 'at least one sheet')
    const problems = sheets.flatMap((name) => {
      try {
        const { text, file } = sourceOf(name)
        const { sheet, sourceMap } = orThrow(readSheetWithSource(text, file, findShipped))
        const catalogue = buildCatalogue(buildMachine(sheet))
        return sourceMap.locate([...checkUntested(catalogue), ...checkRuns(catalogue), ...checkComplaints(catalogue)])
      } catch (error) {
        if (error instanceof InputError) return error.problems
        throw error
      }
    })
    if (problems.length) throw new InputError(problems)
    console.log(`${sheets.length} ${sheets.length === 1 ? 'sheet is' : 'sheets are'} right.`)
    return undefined
  },
}
