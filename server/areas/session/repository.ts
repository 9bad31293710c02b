import { QueryTypes } from 'sequelize'
import type { Person } from '../../../shared/contracts/session'
import { Session, User } from '../../database/models'
import { database } from '../../platform/database'

export interface SessionRow {
  session: string
  seen_at: Date
  id: string
  name: string
  role: 'lead' | 'technician' | 'trainee' | 'read-only'
  organisation: string
  organisation_name: string
  time_zone: string
  currency: string
  hour_minor: number
  kit: Person['kit']
}

const PERSON = `u.id, u.name, u.role, o.id AS organisation, o.name AS organisation_name, o.time_zone, o.currency, o.hour_minor, u.kit`

/** The running session that a token opens, with its person. */
export async function findSession(tokenHash: Buffer): Promise<SessionRow | undefined> {
  const [row] = await database().query<SessionRow>(
    `SELECT s.id AS session, s.seen_at, ${PERSON}
     FROM sessions s JOIN users u ON u.id = s.user_id JOIN organisations o ON o.id = u.organisation_id
     WHERE s.token_hash = $1 AND s.expires_at > now() AND u.left_at IS NULL`,
    { bind: [tokenHash], type: QueryTypes.SELECT },
  )
  return row
}

export const findPerson = async (user: string): Promise<Omit<SessionRow, 'session' | 'seen_at'> | undefined> =>
  (
    await database().query<SessionRow>(
      `SELECT ${PERSON} FROM users u JOIN organisations o ON o.id = u.organisation_id WHERE u.id = $1`,
      { bind: [user], type: QueryTypes.SELECT },
    )
  )[0]

export const writeKit = async (user: string, kit: Person['kit']): Promise<void> =>
  void (await User.update({ kit }, { where: { id: user } }))

export const findUserByEmail = (email: string): Promise<User | null> => User.findOne({ where: { email, leftAt: null } })

export const findUserById = (id: string): Promise<User | null> => User.findByPk(id)

export async function insertSession(row: {
  id: string
  tokenHash: Buffer
  userId: string
  device: string
  expiresAt: Date
}): Promise<void> {
  await Session.create(row)
}

/** Whether somebody has signed in on a device before. */
export async function isKnownDevice(user: string, tokenHash: Buffer): Promise<boolean> {
  const rows = await database().query('SELECT 1 FROM known_devices WHERE user_id = $1 AND token_hash = $2', {
    bind: [user, tokenHash],
    type: QueryTypes.SELECT,
  })
  return rows.length > 0
}

/** Keeps that somebody has signed in on a device; those of long ago are forgotten. */
export async function keepDevice(user: string, tokenHash: Buffer, seconds: number): Promise<void> {
  await database().query(
    `INSERT INTO known_devices (user_id, token_hash) VALUES ($1, $2)
     ON CONFLICT (user_id, token_hash) DO UPDATE SET seen_at = now()`,
    { bind: [user, tokenHash] },
  )
  await database().query(
    'DELETE FROM known_devices WHERE user_id = $1 AND seen_at < now() - make_interval(secs => $2)',
    { bind: [user, seconds] },
  )
}

export const writePasswordHash = (user: string, passwordHash: string) =>
  User.update({ passwordHash }, { where: { id: user } })

/** Notes that a session is in use. */
export const touchSession = (id: string, at: Date) => Session.update({ seenAt: at }, { where: { id } })

/** Ends a session. @returns whether there was one */
export const deleteSession = async (id: string, userId: string): Promise<boolean> =>
  (await Session.destroy({ where: { id, userId } })) > 0

export const deleteExpired = () => database().query('DELETE FROM sessions WHERE expires_at < now()')

export const sessionsOf = (userId: string): Promise<Session[]> =>
  Session.findAll({ where: { userId }, order: [['seenAt', 'DESC']], limit: 50 })

export const peopleOf = (organisation: string): Promise<Pick<SessionRow, 'id' | 'name' | 'role'>[]> =>
  database().query<Pick<SessionRow, 'id' | 'name' | 'role'>>(
    'SELECT id, name, role FROM users WHERE organisation_id = $1 AND left_at IS NULL ORDER BY name, id',
    { bind: [organisation], type: QueryTypes.SELECT },
  )
