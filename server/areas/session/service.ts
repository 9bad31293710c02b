import { getHeader, getRequestIP, type H3Event } from 'h3'
import { LRUCache } from 'lru-cache'
import { v7 as uuidv7 } from 'uuid'
import type { Person } from '../../../shared/contracts/session'
import { now } from '../../platform/clock'
import { apiError, notFound } from '../../platform/errors'
import { announceEnd, subscribe } from '../news/service'
import type { User } from '../../database/models'
import {
  DEVICE_SECONDS,
  giveDevice,
  giveToken,
  hashToken,
  newToken,
  readDevice,
  readToken,
  SESSION_SECONDS,
  takeToken,
} from './cookie'
import { hashPassword, isCheap, isPassword, nobodysHash } from './passwords'
import {
  deleteExpired,
  deleteSession,
  findPerson,
  findSession,
  findUserByEmail,
  findUserById,
  insertSession,
  isKnownDevice,
  keepDevice,
  sessionsOf,
  touchSession,
  peopleOf,
  writeKit,
  writePasswordHash,
  type SessionRow,
} from './repository'
import { countTry, forgiveTry, refuseTurnedAway, type Try } from './tries'

export { firstPassword, hashPassword } from './passwords'

/** A session in use is noted at most this often, ms. */
const NOTED_EVERY = 60_000

const toPerson = (row: Omit<SessionRow, 'session' | 'seen_at'>): Person => ({
  id: row.id,
  name: row.name,
  role: row.role,
  organisation: row.organisation,
  organisationName: row.organisation_name,
  timeZone: row.time_zone,
  currency: row.currency,
  hourMinor: row.hour_minor,
  kit: row.kit,
})

/** How long a session that was found is believed without asking again, ms; its end is news and counts at once. */
const BELIEVED = 3000
const believed = new LRUCache<string, SessionRow>({ max: 2000, ttl: BELIEVED })
const forget = (session: string) => {
  for (const [token, row] of believed.entries()) if (row.session === session) believed.delete(token)
}
let hearing: (() => void) | undefined

async function rowOf(token: string): Promise<SessionRow | undefined> {
  hearing ??= subscribe((news) => {
    if (news.type === 'ended') forget(news.session)
    if (news.type === 'again') believed.clear()
  })
  const hash = hashToken(token)
  const key = hash.toString('base64')
  const known = believed.get(key)
  if (known) return known
  const row = await findSession(hash)
  if (row) believed.set(key, row)
  return row
}

/** The session of a request, if it has one. */
export async function sessionOf(event: H3Event): Promise<{ session: string; person: Person } | undefined> {
  const token = readToken(event)
  const row = token === undefined ? undefined : await rowOf(token)
  if (!row) return undefined
  if (now().getTime() - row.seen_at.getTime() > NOTED_EVERY) {
    row.seen_at = now()
    await touchSession(row.session, row.seen_at)
  }
  return { session: row.session, person: toPerson(row) }
}

/** Who asks. Throws 401 when nobody is signed in. */
export async function requireUser(event: H3Event): Promise<Person> {
  const session = await sessionOf(event)
  if (!session) throw apiError(401, 'not-signed-in')
  return session.person
}

/** A person by id, as a request of theirs would come. */
export async function findPersonById(id: string): Promise<Person | undefined> {
  const row = await findPerson(id)
  return row && toPerson(row)
}

/** Keeps what somebody has to measure with. */
export async function updateKit(who: Person, kit: NonNullable<Person['kit']>): Promise<Person> {
  await writeKit(who.id, kit)
  for (const [token, row] of believed.entries()) if (row.id === who.id) believed.delete(token)
  return { ...who, kit }
}

/**
 * Whether somebody who is signed in knows their password. Tries count as at the door.
 *
 * @returns the session that asked
 */
export async function confirmPassword(event: H3Event, who: Person, password: string): Promise<string> {
  const user = (await findUserById(who.id))!
  const own = await tryOf(event, user.email, user)
  await countTry(own)
  if (!(await isPassword(user.passwordHash, password))) throw apiError(422, 'wrong-password')
  await forgiveTry(own)
  return (await sessionOf(event))!.session
}

/** Where a request comes from: of what a trusted proxy was told, only what it adds itself, the last, is to be believed. */
function addressOf(event: H3Event): string {
  const told = process.env.TRUSTED_PROXY === '1' ? getHeader(event, 'x-forwarded-for')?.split(',').at(-1)?.trim() : ''
  return told || (getRequestIP(event) ?? '')
}

/** What a try is counted by, before anything is judged. */
async function tryOf(event: H3Event, account: string, user: User | null): Promise<Try> {
  const token = readDevice(event)
  const known = user && token !== undefined && (await isKnownDevice(user.id, hashToken(token)))
  return { account, address: addressOf(event), device: known ? hashToken(token).toString('base64url') : undefined }
}

/** The device is known to the person from now on. */
async function knowDevice(event: H3Event, user: User): Promise<void> {
  const token = readDevice(event) ?? newToken()
  giveDevice(event, token)
  await keepDevice(user.id, hashToken(token), DEVICE_SECONDS)
}

/** Signs in. A wrong name and a wrong password get the same answer after the same work. */
export async function signIn(event: H3Event, email: string, password: string): Promise<Person> {
  const name = email.trim().toLowerCase()
  // A device that somebody has signed in on is looked at more closely.
  if (readDevice(event) === undefined) await refuseTurnedAway(addressOf(event))
  const user = await findUserByEmail(name)
  const who = await tryOf(event, name, user)
  await countTry(who)
  const right = await isPassword(user?.passwordHash ?? (await nobodysHash()), password)
  if (!user || !right) throw apiError(401, 'wrong-sign-in')
  await forgiveTry(who)
  // What was hashed when hashing cost less is hashed anew, as it is at hand just now.
  if (isCheap(user.passwordHash)) await writePasswordHash(user.id, await hashPassword(password))
  await knowDevice(event, user)
  await deleteExpired()
  await endOwn(event)
  const token = newToken()
  await insertSession({
    id: uuidv7(),
    tokenHash: hashToken(token),
    userId: user.id,
    device: (getHeader(event, 'user-agent') ?? '').slice(0, 200),
    expiresAt: new Date(now().getTime() + SESSION_SECONDS * 1000),
  })
  giveToken(event, token)
  return toPerson((await findPerson(user.id))!)
}

/** Ends the session that a request comes with, if it has one. */
async function endOwn(event: H3Event): Promise<void> {
  const own = await sessionOf(event)
  if (!own) return
  forget(own.session)
  if (await deleteSession(own.session, own.person.id)) await announceEnd(own.session)
}

/** Sessions whose rows are gone open nothing any more, at once. */
export async function endSessions(sessions: readonly string[]): Promise<void> {
  for (const session of sessions) {
    forget(session)
    await announceEnd(session)
  }
}

export async function signOut(event: H3Event): Promise<void> {
  await endOwn(event)
  takeToken(event)
}

export async function listSessions(event: H3Event, who: Person) {
  const here = await sessionOf(event)
  return (await sessionsOf(who.id)).map((s) => ({
    id: s.id,
    createdAt: s.createdAt.toISOString(),
    seenAt: s.seenAt.toISOString(),
    device: s.device,
    here: s.id === here?.session,
  }))
}

export async function endSession(who: Person, id: string): Promise<void> {
  if (!(await deleteSession(id, who.id))) throw notFound('session')
  forget(id)
  await announceEnd(id)
}

/** The people of an organisation, by name. */
export const listPeople = async ({ organisation }: Person) => ({ people: await peopleOf(organisation) })
