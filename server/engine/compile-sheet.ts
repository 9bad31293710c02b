import { factsOf } from '../../core/advice'
import { InputError, orThrow } from '../../core/foundation/result'
import type { SheetFacts } from '../../core/job'
import { buildMachine } from '../../core/model/machine'
import { buildCatalogue } from '../../core/diagnosis/catalogue'
import { readSheet } from '../../core/model/sheet'
import { describeProblem } from '../../core/words'
import type { SheetFile } from '../database/models'

export { predictionsOf } from './compile-predictions'

/**
 * What the server keeps of a sheet: runs the healthy machine, so never in a request.
 *
 * @param files the sheet first, then all that it extends or brings
 * @throws Error with every mistake of the sheet in words
 */
export default function compileSheet(files: SheetFile[]): SheetFacts {
  try {
    const [own] = files
    const sheet = orThrow(readSheet(own!.text, own!.file, (id) => files.find((f) => f.id === id)))
    return factsOf(buildCatalogue(buildMachine(sheet)))
  } catch (error) {
    if (error instanceof InputError) throw new Error(error.problems.map((p) => describeProblem(p)).join('\n'))
    throw error
  }
}
