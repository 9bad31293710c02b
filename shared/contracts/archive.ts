import { z } from 'zod'
import { contract, EVERYBODY, id, idParam } from './contract'

/** A stream, not an answer: all that the organisation owns, as one file; for leads. */
export const ARCHIVE_PATH = '/api/archive/stream'

/** Largest bundle of a job, bytes. */
export const MOST_BUNDLE_BYTES = 64 * 1024 * 1024
const file = { type: 'application/zip', most: MOST_BUNDLE_BYTES, changes: true }

/** One job with its entries, its photos and the sheet that it was begun with, as one file. */
export const exportJob = contract({
  method: 'GET',
  path: '/api/jobs/:id/bundle',
  roles: EVERYBODY,
  params: idParam,
  file,
  answer: z.instanceof(Uint8Array),
})

/** Takes such a file in: all of it, or nothing. What is there already stays; the same file twice changes nothing. */
export const importJob = contract({
  method: 'POST',
  path: '/api/jobs/import',
  roles: ['lead'],
  file,
  answer: z.object({
    /** `null` where it was not taken. */
    job: id.nullable(),
    /** Entries that were new, and those that were there already. */
    fresh: z.int(),
    there: z.int(),
    photos: z.int(),
    problems: z.array(z.string()),
  }),
})
