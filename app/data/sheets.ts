import { readRevision } from '../../shared/contracts/sheets'
import { deviceDatabase, type KeptSheet } from './database'
import { call } from './http'

/** A revision of a sheet, from this device where it is here: it never changes. */
export async function sheetOf(revision: string): Promise<KeptSheet['files']> {
  const kept = await deviceDatabase()
    .sheets.get(revision)
    .catch(() => undefined)
  if (kept) return kept.files
  const { files } = await call(readRevision, { params: { revision } })
  // A device that cannot keep it fetches it again.
  await deviceDatabase()
    .sheets.put({ revision, files })
    .catch(() => undefined)
  return files
}
