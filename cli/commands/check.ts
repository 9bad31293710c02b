import { checkSheet } from '../../core/diagnosis/catalogue'
import { formatQuantity } from '../../core/foundation/quantity'
import { InputError, orThrow } from '../../core/foundation/result'
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
        for (const { id, params } of sheet.parts)
          for (const [value, { origin, value: si, dimension }] of Object.entries(params))
            if (origin === 'assumed')
              console.log(`${id}.${value}: ${formatQuantity(si, dimension)}, assumed from its rating`)
        return sourceMap.locate(checkSheet(sheet))
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
