import type { H3Event } from 'h3'
import type { Role } from '../../../core/job'
import type { Account } from '../../../shared/contracts/accounts'
import type { Person } from '../../../shared/contracts/session'
import { apiError, notFound } from '../../platform/errors'
import { confirmPassword, endSessions, firstPassword, hashPassword } from '../session/service'
import * as rows from './repository'

const toAccount = ({ seen_at, ...row }: rows.AccountRow): Account => ({
  ...row,
  seenAt: seen_at?.toISOString() ?? null,
})

async function accountOf(who: Person, id: string): Promise<rows.AccountRow> {
  const row = await rows.findAccount(who.organisation, id)
  if (!row) throw notFound('person')
  return row
}

/** Everybody of the organisation. */
export const listAccounts = async (who: Person) => ({
  accounts: (await rows.accountsOf(who.organisation)).map(toAccount),
})

/** Lets somebody in, with a first password that is said once. */
export async function invite(who: Person, asked: { id: string; name: string; email: string; role: Role }) {
  const password = firstPassword()
  const row = {
    ...asked,
    email: asked.email.toLowerCase(),
    organisation: who.organisation,
    passwordHash: await hashPassword(password),
  }
  if (!(await rows.insertAccount(row))) throw apiError(409, 'address-taken', row.email)
  return { account: toAccount(await accountOf(who, asked.id)), password }
}

/** Sessions that were opened with another role, or by somebody who has left, end at once. */
export async function changeAccount(who: Person, id: string, asked: { name: string; role: Role; left: boolean }) {
  const before = await accountOf(who, id)
  const itself = asked.role === before.role && asked.left === before.left
  // So there is always somebody who leads.
  if (id === who.id && !itself) throw apiError(409, 'own-role')
  await rows.updateAccount(id, asked)
  if (!itself) await endSessions(await rows.deleteSessions(id, null))
  return { account: toAccount(await accountOf(who, id)) }
}

/** A new password for somebody who has forgotten theirs, said once. */
export async function resetPassword(who: Person, id: string) {
  await accountOf(who, id)
  const password = firstPassword()
  await rows.writePassword(id, await hashPassword(password))
  await endSessions(await rows.deleteSessions(id, null))
  return { password }
}

/** A password of one's own choice; the other sessions of the person end. @throws 422 where they do not know the one of before */
export async function changePassword(
  event: H3Event,
  who: Person,
  { old, password }: { old: string; password: string },
) {
  const session = await confirmPassword(event, who, old)
  await rows.writePassword(who.id, await hashPassword(password))
  const ended = await rows.deleteSessions(who.id, session)
  await endSessions(ended)
  return { ended: ended.length }
}
