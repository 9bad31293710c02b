import { z } from 'zod'
import { photoHash } from '../../core/job'
import { contract, EVERYBODY, WRITERS } from './contract'

/** Largest photo that is taken, bytes: a device shrinks it before it is sent. */
export const MOST_PHOTO_BYTES = 400_000
/** Longest side, pixels. */
export const MOST_PHOTO_SIDE = 4096

const photoParam = z.strictObject({ hash: photoHash })

/**
 * Keeps a photo of the organisation by the SHA-256 of what is sent: sending it twice changes nothing. The event that names
 * it comes after it.
 */
export const writePhoto = contract({
  method: 'PUT',
  path: '/api/photos/:hash',
  roles: WRITERS,
  params: photoParam,
  file: { type: 'image/jpeg', most: MOST_PHOTO_BYTES },
  answer: z.object({ hash: photoHash, width: z.int(), height: z.int() }),
})

/** A photo of the organisation, as a JPEG picture. It may be erased: no cache on the way keeps it. */
export const readPhoto = contract({
  method: 'GET',
  path: '/api/photos/:hash',
  roles: EVERYBODY,
  params: photoParam,
  file: { type: 'image/jpeg', most: MOST_PHOTO_BYTES, changes: true },
  answer: z.instanceof(Uint8Array),
})
