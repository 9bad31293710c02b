import { factsOf } from '../../core/advice'
import { InputError, orThrow } from '../../core/foundation/result'
import { factsOfAll, type SheetFacts } from '../../core/job'
import { buildMachine } from '../../core/model/machine'
import { buildCatalogue } from '../../core/diagnosis/catalogue'
import { readSheet, type OwnOptions, type Sheet } from '../../core/model/sheet'
import { describeProblem } from '../../core/words'
import type { SheetFile } from '../database/models'

export { predictionsOf } from './compile-predictions'
export { outlook } from './outlook'

/** What a sheet says under a key of its own first level. */
const saidIn = (text: string, key: string): string | undefined =>
  new RegExp(`^${key}:[ \\t]*(.+?)[ \\t]*$`, 'm').exec(text)?.[1]?.replace(/^(['"])(.*)\1$/, '$2')

/** The sheet that a sheet extends. */
function familyOf([own, ...rest]: readonly SheetFile[]): { id: string; title: string } | undefined {
  const id = saidIn(own!.text, 'extends')
  const base = rest.find((f) => f.id === id)
  return base && { id: base.id, title: saidIn(base.text, 'title') ?? base.id }
}

/**
 * What the server keeps of a sheet: runs the healthy machine, so never in a request.
 *
 * @param files the sheet first, then all that it extends or brings
 * @throws Error with every mistake of the sheet in words
 */
export default function compileSheet(files: SheetFile[]): SheetFacts {
  try {
    const [own] = files
    const read = (machine?: OwnOptions) =>
      orThrow(readSheet(own!.text, own!.file, (id) => files.find((f) => f.id === id), machine))
    const facts = (sheet: Sheet) => factsOf(buildCatalogue(buildMachine(sheet)))
    const sheet = read()
    const turned = sheet.options.map(({ id, fitted }) => ({ id, fitted: !fitted }))
    // One by one, and all at once: what a machine can be asked for is what any of them can.
    const others = [...turned.map((o) => [o]), ...(turned.length > 1 ? [turned] : [])]
    const all = factsOfAll(
      facts(sheet),
      others.map((o) => facts(read(o))),
    )
    const family = familyOf(files)
    return family ? { ...all, family } : all
  } catch (error) {
    if (error instanceof InputError) throw new Error(error.problems.map((p) => describeProblem(p)).join('\n'))
    throw error
  }
}
