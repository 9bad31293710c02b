import { z } from 'zod'
import { ROLES, text } from '../../core/job'
import { contract, EVERYBODY, id, idParam, line } from './contract'

/** Shortest password that somebody chooses. */
export const SHORTEST_PASSWORD = 10

/** Somebody who works here, or did. */
export const account = z.object({
  id,
  name: z.string(),
  email: z.string(),
  role: z.enum(ROLES),
  /** Signs in no more. */
  left: z.boolean(),
  /** When a session of theirs was last in use; `null`: never, or long ago. */
  seenAt: z.string().nullable(),
})
export type Account = z.infer<typeof account>

/** Everybody of the organisation, those who have left too; whose name was erased is not among them. */
export const listAccounts = contract({
  method: 'GET',
  path: '/api/accounts',
  roles: ['lead'],
  answer: z.object({ accounts: z.array(account) }),
})

const email = line(200, 3).pipe(z.email())

/** Lets somebody in; the first password is answered once and stands nowhere. */
export const invite = contract({
  method: 'POST',
  path: '/api/accounts',
  roles: ['lead'],
  body: z.strictObject({ id, name: line(80), email, role: z.enum(ROLES) }),
  answer: z.object({ account, password: z.string() }),
})

/** Gives somebody another name or role, or ends that they sign in. Their sessions end where it matters; nobody does it to themselves. */
export const changeAccount = contract({
  method: 'PUT',
  path: '/api/accounts/:id',
  roles: ['lead'],
  params: idParam,
  body: z.strictObject({ name: line(80), role: z.enum(ROLES), left: z.boolean() }),
  answer: z.object({ account }),
})

/** Gives somebody a new password, answered once. Their sessions end. */
export const resetPassword = contract({
  method: 'POST',
  path: '/api/accounts/:id/password',
  roles: ['lead'],
  params: idParam,
  body: z.strictObject({}),
  answer: z.object({ password: z.string() }),
})

/** Chooses a password of one's own. Every other session of the person ends. */
export const changePassword = contract({
  method: 'PUT',
  path: '/api/session/password',
  roles: EVERYBODY,
  body: z.strictObject({ old: text(200, 1), password: text(200, SHORTEST_PASSWORD) }),
  answer: z.object({ ended: z.int() }),
})
