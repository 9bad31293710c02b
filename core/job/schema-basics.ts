import { z } from 'zod'

/** Years outside these are a broken clock, not a time. */
const YEARS = { first: 2000, last: 2099 }

/** U+0000 and half a surrogate pair: no database column and no wire carries them. */
const ODD = /\p{Surrogate}/u
const NUL = String.fromCharCode(0)

/** Whether every store and every wire can carry a text as it is. */
export const isSoundText = (text: string): boolean => !ODD.test(text) && !text.includes(NUL)

/** The same text without what no store can carry. */
export const soundText = (text: string): string => text.replaceAll(NUL, '').replace(/\p{Surrogate}/gu, '')

/** A text of so many characters that can be stored. */
export const text = (most: number, least = 0) =>
  z.string().min(least).max(most).refine(isSoundText, 'holds a character that cannot be kept')

/** A moment in ISO 8601, UTC, in a year that a clock of today may show. */
export const moment = z.iso.datetime().refine((at) => {
  const year = new Date(at).getUTCFullYear()
  return year >= YEARS.first && year <= YEARS.last
}, 'is no time of these years')

/** What something is known by; the same written large is the same. */
export const uuid = z.uuid().toLowerCase()

/** A name that a sheet or an instrument has. */
export const name = text(80, 1)
/** What somebody says at length. */
export const words = text(4000)
/** SHA-256 of a sheet with all that it is made of. */
export const revision = z.string().regex(/^[0-9a-f]{64}$/)
/** SHA-256 of what the device sends. */
export const photoHash = z.string().regex(/^[0-9a-f]{64}$/)
/** What stands for a photo that was erased. */
export const ERASED_PHOTO = '0'.repeat(64)
/** A part of a whole. */
export const share = z.number().min(0).max(1)

/** A reading as it was understood where it was typed; SI. */
export const value = z.discriminatedUnion('type', [
  z.strictObject({ type: z.literal('value'), si: z.number() }),
  z.strictObject({ type: z.literal('longer-than'), si: z.number().min(0) }),
  z.strictObject({ type: z.enum(['open', 'yes', 'no', 'never', 'never-ended', 'could-not']) }),
  z.strictObject({ type: z.literal('word'), word: name }),
  z.strictObject({ type: z.literal('times'), clean: z.int().min(0), of: z.int().min(1) }),
])

/** A day of a calendar, as in 2026-11-30; where in the world is said beside it. */
export const day = z.iso.date().refine((on) => {
  const year = Number(on.slice(0, 4))
  return year >= YEARS.first && year <= YEARS.last
}, 'is no day of these years')

/** Money in minor units of the currency beside it. */
export const money = z.int().min(-1e9).max(1e9)
/** As in ISO 4217. */
export const currency = z.string().regex(/^[A-Z]{3}$/)
