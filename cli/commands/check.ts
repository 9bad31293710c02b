import { buildCatalogue, checkRuns } from '../../core/diagnosis/catalogue'
import { InputError } from '../../core/foundation/result'
import { buildMachine } from '../../core/model/machine'
import { locateProblems } from '../../core/model/sheet'
import type { Command } from '../command'
import { fail, loadSheet, sourceOf } from '../input'
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
        const found = checkRuns(buildCatalogue(buildMachine(loadSheet(name))))
        return locateProblems(text, file, findShipped, found)
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
