import { z } from 'zod'
import { isSoundText, uuid, type Role } from '../../core/job'

/**
 * The number that both sides send. It grows when an old page can no longer talk to a new server: then the server
 * answers 426, and the page keeps what waits and asks to be loaded again.
 */
export const CONTRACT_VERSION = 2
export const CONTRACT_HEADER = 'x-duckweed-contract'
/** Whose entries a request carries: a session that changed in another tab must not take them. */
export const PERSON_HEADER = 'x-duckweed-person'

export const EVERYBODY: readonly Role[] = ['lead', 'technician', 'trainee', 'read-only']
export const WRITERS: readonly Role[] = ['lead', 'technician', 'trainee']

/** One route: what it takes, what it answers, and who may ask. Both sides import this. */
export interface Contract<
  P extends z.ZodType = z.ZodType,
  Q extends z.ZodType = z.ZodType,
  B extends z.ZodType = z.ZodType,
  A extends z.ZodType = z.ZodType,
> {
  method: 'GET' | 'POST' | 'PUT' | 'PATCH' | 'DELETE'
  /** With `:name` where a parameter stands. */
  path: string
  /** Who may ask; `anyone` needs no session. */
  roles: readonly Role[] | 'anyone'
  params: P
  query: Q
  body: B
  answer: A
  /** Largest body, bytes, where it is not the usual one. */
  most?: number
  /** Where a file is sent or answered instead of JSON: its type, its largest size, bytes, and whether another one may stand under the same address later. */
  file?: { type: string; most: number; changes?: boolean }
}

const nothing = z.object({})
export type Nothing = typeof nothing

/** Largest body of what brings many things at once, bytes. */
export const MANY = 1_000_000

/** Writes a contract down; what a route does not take is left out. */
export function contract<
  A extends z.ZodType,
  P extends z.ZodType = Nothing,
  Q extends z.ZodType = Nothing,
  B extends z.ZodType = z.ZodUndefined,
>(of: {
  method: Contract['method']
  path: string
  roles: Contract['roles']
  params?: P
  query?: Q
  body?: B
  answer: A
  most?: number
  file?: Contract['file']
}): Contract<P, Q, B, A> {
  return {
    params: nothing as unknown as P,
    query: nothing as unknown as Q,
    body: z.undefined() as unknown as B,
    ...of,
  } as Contract<P, Q, B, A>
}

/** The one shape of every error answer. */
export const errorAnswer = z.object({
  error: z.object({
    code: z.string(),
    message: z.string(),
    problems: z.array(z.object({ path: z.array(z.union([z.string(), z.number()])), message: z.string() })).optional(),
  }),
})
export type ErrorAnswer = z.infer<typeof errorAnswer>

export const id = uuid
export const idParam = z.strictObject({ id })
/** A text of a form: trimmed, so long at most, of characters that can be kept. */
export const line = (most: number, least = 1) =>
  z.string().trim().min(least).max(most).refine(isSoundText, 'holds a character that cannot be kept')
/** What somebody types into a search field. */
export const query = z.string().max(200).refine(isSoundText).optional()
/** A cursor as a page before gave it. */
export const cursor = z
  .string()
  .max(200)
  .regex(/^[\w-]+$/)
  .optional()
