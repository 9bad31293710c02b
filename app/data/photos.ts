import { readPhoto, writePhoto } from '../../shared/contracts/photos'
import { deviceDatabase } from './database'
import { call, THIN_LINE } from './http'

/** Room that must be left on the device beside a photo, bytes: readings come first. */
const ROOM_LEFT = 2_000_000

/** Photos that the server has and this device keeps too; those of another job go first. */
const MOST_FETCHED = 150

/** There is no room on the device for a photo and what comes after it. */
export class NoRoomError extends Error {}

const hex = (bytes: ArrayBuffer) => [...new Uint8Array(bytes)].map((b) => b.toString(16).padStart(2, '0')).join('')

/**
 * Keeps a photo on this device until the server has it.
 *
 * @returns the SHA-256 of its bytes, by which an event names it
 * @throws NoRoomError before anything is written where the room would run out
 */
export async function keepPhoto(person: string, job: string, photo: Blob): Promise<string> {
  const { quota = Infinity, usage = 0 } = (await navigator.storage?.estimate().catch(() => undefined)) ?? {}
  if (quota - usage < photo.size + ROOM_LEFT) throw new NoRoomError()
  const hash = hex(await crypto.subtle.digest('SHA-256', await photo.arrayBuffer()))
  // What is not sent yet must not be cleared away by the browser.
  void navigator.storage?.persist?.().catch(() => false)
  const { photos } = deviceDatabase()
  const there = await photos.get([person, hash])
  if (!there) await photos.add({ person, hash, job, photo, sent: 0 })
  return hash
}

/** Lets a photo go that was kept here and that nothing names. */
export const dropPhoto = async (person: string, hash: string): Promise<void> =>
  deviceDatabase().photos.delete([person, hash])

/** Sends a photo that is kept here and not on the server yet. */
export async function sendPhoto(person: string, hash: string): Promise<void> {
  const { photos } = deviceDatabase()
  const kept = await photos.get([person, hash])
  if (!kept || kept.sent) return
  await call(writePhoto, { params: { hash }, file: kept.photo, person, patience: THIN_LINE })
  await photos.update([person, hash], { sent: 1 })
}

/** Lets photos of other jobs go that the server has, where this device keeps too many. */
async function dropOthers(job: string): Promise<void> {
  const { photos } = deviceDatabase()
  const over = (await photos.where('sent').equals(1).count()) - MOST_FETCHED
  if (over <= 0) return
  const others = await photos
    .where('sent')
    .equals(1)
    .and((p) => p.job !== job)
    .limit(over)
    .primaryKeys()
  await photos.bulkDelete(others)
}

/** A photo, from this device where it is here, else from the server: it never changes. */
export async function photoOf(person: string, job: string, hash: string): Promise<Blob> {
  const { photos } = deviceDatabase()
  const kept = await photos.get([person, hash]).catch(() => undefined)
  if (kept) return kept.photo
  const bytes = await call(readPhoto, { params: { hash }, patience: THIN_LINE })
  const photo = new Blob([bytes as BlobPart], { type: readPhoto.file!.type })
  await photos.put({ person, hash, job, photo, sent: 1 }).catch(() => undefined)
  await dropOthers(job).catch(() => undefined)
  return photo
}

/** How many photos of a job wait on this device. */
export const unsentPhotos = (person: string, job: string): Promise<number> =>
  deviceDatabase().photos.where('[person+job+sent]').equals([person, job, 0]).count()
