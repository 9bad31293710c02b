import { createHash } from 'node:crypto'
import { dependenciesOf, SHEET_LANGUAGE } from '../../../core/model/sheet'
import type { SheetFile } from '../../database/models'

/** A sheet leads to no more than these. */
const MOST_FILES = 24

/** Finds the text of a sheet by its id. */
export type FindSheet = (id: string) => Promise<string | undefined>

/** A sheet, first, with everything that it extends and brings in. */
export async function gatherFiles(id: string, find: FindSheet): Promise<SheetFile[]> {
  const out: SheetFile[] = []
  const wanted = [id]
  for (let next = wanted.shift(); next !== undefined && out.length < MOST_FILES; next = wanted.shift()) {
    if (out.some((s) => s.id === next)) continue
    const text = await find(next)
    if (text === undefined) continue
    const file = `library/${next}.yaml`
    out.push({ id: next, file, text })
    wanted.push(...dependenciesOf(text, file))
  }
  return out
}

/** The name of a revision: SHA-256 over the language version and every file, in hexadecimal. */
export function hashRevision(files: readonly SheetFile[], language: number = SHEET_LANGUAGE): string {
  const hash = createHash('sha256').update(`language ${language}\n`)
  for (const { id, text } of files) hash.update(`${id} ${Buffer.byteLength(text)}\n`).update(text)
  return hash.digest('hex')
}
