import { createHash } from 'node:crypto'
import type { Transaction } from 'sequelize'
import { cleanJpeg } from '../../../core/foundation/jpeg'
import { MOST_PHOTO_SIDE } from '../../../shared/contracts/photos'
import type { Person } from '../../../shared/contracts/session'
import { apiError, notFound } from '../../platform/errors'
import * as rows from './repository'

/** What is kept of a photo, as it is kept. */
export { findPhoto } from './repository'

/** Keeps a photo without anything that says where or with what it was taken. */
export async function writePhoto(who: Person, hash: string, file: Uint8Array) {
  if (createHash('sha256').update(file).digest('hex') !== hash) throw apiError(422, 'other-photo')
  return keepPhoto(who, hash, file)
}

/** Keeps what was made of a photo elsewhere, by the name that it got there. */
export async function keepPhoto(who: Person, hash: string, file: Uint8Array, transaction?: Transaction) {
  const photo = cleanJpeg(file)
  if (typeof photo === 'string') throw apiError(422, photo === 'truncated' ? 'photo-cut-short' : 'not-a-photo')
  const { bytes, width, height } = photo
  if (!width || !height || Math.max(width, height) > MOST_PHOTO_SIDE) throw apiError(422, 'not-a-photo')
  const row = { organisationId: who.organisation, hash, bytes: Buffer.from(bytes), createdBy: who.id }
  await rows.insertPhoto(row, transaction)
  return { hash, width, height }
}

export async function readPhoto(who: Person, hash: string): Promise<Uint8Array<ArrayBuffer>> {
  const bytes = await rows.findPhoto(who.organisation, hash)
  if (!bytes) throw notFound('photo')
  return new Uint8Array(bytes)
}

/** Of the photos that somebody names, those that have not arrived. */
export async function missingPhotos(
  who: Person,
  hashes: readonly string[],
  transaction?: Transaction,
): Promise<Set<string>> {
  if (!hashes.length) return new Set()
  const known = await rows.knownPhotos(who.organisation, hashes, transaction)
  return new Set(hashes.filter((h) => !known.has(h)))
}

/** The bytes of photos of an organisation, by hash; what has not arrived is left out. */
export async function photoBytes(organisation: string, hashes: readonly string[]): Promise<Record<string, Uint8Array>> {
  const found = await Promise.all(hashes.map(async (h) => [h, await rows.findPhoto(organisation, h)] as const))
  return Object.fromEntries(found.flatMap(([h, bytes]) => (bytes ? [[h, new Uint8Array(bytes)]] : [])))
}
