import { afterAll, beforeAll, inject } from 'vitest'
import { v7 as uuidv7 } from 'uuid'
import type { Sequelize } from 'sequelize'
import { findShipped } from '../../cli/library'
import type { JobEvent, Payload } from '../../core/job'
import { appendToJob } from '../../server/areas/jobs/service'
import { findPersonById } from '../../server/areas/session/service'
import { currentRevision, publishLibrary } from '../../server/areas/sheets/service'
import { migrate } from '../../server/database/migrate'
import { loadDemoWorld } from '../../server/database/seeds/demo-world'
import compileSheet from '../../server/engine/compile-sheet'
import { connect, useDatabase } from '../../server/platform/database'
import type { Person } from '../../shared/contracts/session'

export const SHEET = 'orrisk-tl40'
export const LEFT = '01900000-0000-7000-8000-000000000101'
export const RIGHT = '01900000-0000-7000-8000-000000000102'
const PEOPLE = { mara: 11, joss: 12, pim: 13, wenna: 14, ivo: 21 }

export interface House {
  db: Sequelize
  url: string
  people: Record<keyof typeof PEOPLE, Person>
  revision: string
}

export const findSheet = (id: string) => Promise.resolve(findShipped(id)?.text)

/** An empty database of this name. */
export async function emptyDatabase(name: string): Promise<{ db: Sequelize; url: string }> {
  const url = new URL(inject('cluster'))
  const admin = connect(url.href)
  await admin.query(`DROP DATABASE IF EXISTS ${name} WITH (FORCE)`)
  await admin.query(`CREATE DATABASE ${name}`)
  await admin.close()
  url.pathname = `/${name}`
  process.env.DATABASE_URL = url.href
  const db = connect(url.href)
  useDatabase(db)
  return { db, url: url.href }
}

/** A database with the demo world's people and machines and the sheet of the washer, for the tests of one file. */
export function withHouse(name: string): House {
  const house = {} as House
  beforeAll(async () => {
    Object.assign(house, await emptyDatabase(name))
    await migrate(house.db)
    await publishLibrary([SHEET], findSheet, compileSheet)
    await loadDemoWorld((password) => Promise.resolve(`hashed:${password.length}`), 'bare')
    const own = Object.entries(PEOPLE).map(async ([key, n]) => [
      key,
      await findPersonById(`01900000-0000-7000-8000-0000000000${n}`),
    ])
    house.people = Object.fromEntries(await Promise.all(own)) as House['people']
    house.revision = (await currentRevision(SHEET))!
  })
  afterAll(() => house.db?.close())
  return house
}

let ordinal = 0
export const entry = (payload: Payload, more: Partial<JobEvent> = {}): JobEvent => ({
  id: uuidv7(),
  version: 3,
  at: new Date().toISOString(),
  device: 'test',
  ordinal: ++ordinal,
  baseSeq: 2 ** 31 - 1,
  payload,
  ...more,
})
export const opening = (unit = LEFT, words = 'stopped on Tuesday') =>
  entry({ type: 'opened', unit, complaints: ['no-fill'], words })
export const note = (text: string, more: Partial<JobEvent> = {}) => entry({ type: 'note', text }, more)

/** Opens a job. @returns its id */
export async function open(who: Person, unit = LEFT, words?: string): Promise<string> {
  const job = uuidv7()
  const { results } = await appendToJob(who, job, [opening(unit, words)], undefined)
  if (results[0]!.status !== 'accepted') throw new Error(JSON.stringify(results))
  return job
}
export const send = async (who: Person, job: string, ...events: unknown[]) =>
  (await appendToJob(who, job, events, undefined)).results
/** `accepted`, `duplicate`, or the code of the refusal, of each event. */
export const codes = async (who: Person, job: string, ...events: unknown[]) =>
  (await send(who, job, ...events)).map((r) => (r.status === 'refused' ? r.code : r.status))
