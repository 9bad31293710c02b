import {
  ArchiveCheck,
  photoFile,
  rowsFile,
  tablesOf,
  type ArchiveFault,
  type ArchiveFormat,
  type ArchiveTable,
} from '../../../core/archive'
import { ReadZip } from './zip'

/** A row with the line that it stands in. */
export interface ReadRow {
  row: Record<string, unknown>
  line: string
}

/** Rows of a table of an archive, in order. @throws Error where a line is no JSON: it is checked first */
export async function* rowsOf(zip: ReadZip, table: ArchiveTable): AsyncGenerator<ReadRow> {
  for await (const line of zip.lines(rowsFile(table))) yield { row: JSON.parse(line) as ReadRow['row'], line }
}

/** Goes through all of an archive before any of it is taken. @returns everything that is wrong with it */
async function check(zip: ReadZip, format: ArchiveFormat): Promise<ArchiveFault[]> {
  const damaged = await zip.damaged()
  if (damaged.length) return damaged
  const checked = new ArchiveCheck(format, (hash) => zip.has(photoFile(hash)))
  for (const table of tablesOf(format)) {
    const file = rowsFile(table)
    if (!zip.has(file)) return [{ code: 'missing-file', file }]
    let line = 0
    for await (const text of zip.lines(file)) {
      line++
      let value: unknown
      try {
        value = JSON.parse(text)
      } catch {
        value = undefined
      }
      checked.take(table, line, value)
    }
  }
  checked.end()
  return checked.faults
}

/**
 * Opens an archive and finds everything that is wrong with it.
 *
 * @param from path of a file, or what was sent
 * @param most bytes that all of it may come to, unpacked
 */
export async function openArchive(
  from: string | Buffer,
  format: ArchiveFormat,
  most?: number,
): Promise<{ zip: ReadZip } | { faults: ArchiveFault[] }> {
  const zip = await ReadZip.open(from, format, most)
  if (Array.isArray(zip)) return { faults: zip }
  const faults = await check(zip, format)
  if (!faults.length) return { zip }
  zip.close()
  return { faults }
}
