import type { Role } from '../../../core/job'
import { database, select } from '../../platform/database'

export interface AccountRow {
  id: string
  name: string
  email: string
  role: Role
  left: boolean
  seen_at: Date | null
}

/** Whose name was erased has no password and never gets one again. */
const KNOWN = "u.password_hash <> ''"
const ACCOUNT = `SELECT u.id, u.name, u.email, u.role, u.left_at IS NOT NULL AS left,
    (SELECT max(seen_at) FROM sessions s WHERE s.user_id = u.id) AS seen_at
  FROM users u WHERE u.organisation_id = $1 AND ${KNOWN}`

export const accountsOf = (organisation: string): Promise<AccountRow[]> =>
  select(`${ACCOUNT} ORDER BY left_at IS NOT NULL, lower(u.name), u.id`, [organisation])

export const findAccount = async (organisation: string, id: string): Promise<AccountRow | undefined> =>
  (await select<AccountRow>(`${ACCOUNT} AND u.id = $2`, [organisation, id]))[0]

/** @returns whether the address for mail was free */
export async function insertAccount(row: {
  id: string
  organisation: string
  name: string
  email: string
  role: Role
  passwordHash: string
}): Promise<boolean> {
  const made = await select(
    `INSERT INTO users (id, organisation_id, name, email, role, password_hash) VALUES ($1, $2, $3, $4, $5, $6)
     ON CONFLICT (email) DO NOTHING RETURNING id`,
    [row.id, row.organisation, row.name, row.email, row.role, row.passwordHash],
  )
  return made.length > 0
}

/** Name, role and whether somebody still signs in; entries of before keep the name that they were made under in what was folded from them. */
export async function updateAccount(
  id: string,
  { name, role, left }: { name: string; role: Role; left: boolean },
): Promise<void> {
  await database().query(
    'UPDATE users SET name = $2, role = $3, left_at = CASE WHEN $4 THEN COALESCE(left_at, now()) END WHERE id = $1',
    { bind: [id, name, role, left] },
  )
}

/** Ends every session of a person but one. @returns which have ended */
export const deleteSessions = async (person: string, but: string | null): Promise<string[]> =>
  (
    await select<{ id: string }>(
      'DELETE FROM sessions WHERE user_id = $1 AND id IS DISTINCT FROM $2::uuid RETURNING id',
      [person, but],
    )
  ).map((s) => s.id)

/** A new password: devices on which the old one was used are strangers again. */
export async function writePassword(person: string, passwordHash: string): Promise<void> {
  await database().query('UPDATE users SET password_hash = $2 WHERE id = $1', { bind: [person, passwordHash] })
  await database().query('DELETE FROM known_devices WHERE user_id = $1', { bind: [person] })
}
