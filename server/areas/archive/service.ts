import { createReadStream } from 'node:fs'
import { stat } from 'node:fs/promises'
import type { Readable } from 'node:stream'
import type { Person } from '../../../shared/contracts/session'
import { apiError } from '../../platform/errors'
import { makeArchive } from './write-archive'

export { exportJob, importJob } from './bundle'
export { takeArchive, type TakenArchive } from './take-archive'

/** Organisations whose archive is being made by this process. */
const making = new Set<string>()

/** A file that is sent while it is read; it is gone afterwards. */
export interface SentFile {
  stream: Readable
  bytes: number
}

/** All that the organisation of a person owns, in one file. One at a time: a second one waits for nothing and is told so. */
export async function exportArchive(who: Person): Promise<SentFile> {
  if (making.has(who.organisation)) throw apiError(429, 'archive-under-way')
  making.add(who.organisation)
  try {
    const of = { format: 'duckweed-archive' as const, organisation: who.organisation }
    const { path, discard } = await makeArchive(of, who.organisationName)
    const stream = createReadStream(path)
    stream.on('close', () => void discard())
    return { stream, bytes: (await stat(path)).size }
  } finally {
    making.delete(who.organisation)
  }
}
