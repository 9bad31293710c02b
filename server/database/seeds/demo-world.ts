import { createHash } from 'node:crypto'
import { existsSync, readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { gunzipSync } from 'node:zlib'
import { Op } from 'sequelize'
import { parseReading, type ReadingShape } from '../../../core/foundation/quantity'
import { upcast, type Payload, type WrittenEvent } from '../../../core/job'
import { keepExpected } from '../../areas/figures/service'
import { appendToJob } from '../../areas/jobs/service'
import { writePhoto } from '../../areas/photos/service'
import { findPersonById } from '../../areas/session/service'
import { currentRevision, factsOfRevision } from '../../areas/sheets/service'
import { database } from '../../platform/database'
import { Customer, Job, Organisation, Site, Unit, User } from '../models'
import { moreUnits } from './demo-more-units'
import { loadShop } from './demo-shop'
import { EBB, LANTERN, units, type DemoUnit } from './demo-units'

/** Two organisations of the invented Tern Harbour with their people and machines. Ids are fixed: loading twice changes nothing. */
const people = [
  {
    id: '01900000-0000-7000-8000-000000000011',
    organisationId: EBB,
    email: 'mara@ebb.example',
    role: 'lead' as const,
    name: 'Mara E.',
    password: 'low-tide-4-pumps',
  },
  {
    id: '01900000-0000-7000-8000-000000000012',
    organisationId: EBB,
    email: 'joss@ebb.example',
    role: 'technician' as const,
    name: 'Joss E.',
    password: 'low-tide-4-pumps',
  },
  {
    id: '01900000-0000-7000-8000-000000000013',
    organisationId: EBB,
    email: 'pim@ebb.example',
    role: 'trainee' as const,
    name: 'Pim S.',
    password: 'low-tide-4-pumps',
  },
  {
    id: '01900000-0000-7000-8000-000000000014',
    organisationId: EBB,
    email: 'desk@ebb.example',
    role: 'read-only' as const,
    name: 'Wenna D.',
    password: 'low-tide-4-pumps',
  },
  {
    id: '01900000-0000-7000-8000-000000000021',
    organisationId: LANTERN,
    email: 'ivo@lantern.example',
    role: 'lead' as const,
    name: 'Ivo L.',
    password: 'lamp-post-7-keys',
  },
]

/** One demo job as the command that plays them wrote it, in the version of then. Times are minutes before the first start. */
interface SeededJob {
  id: string
  person: string
  /** Minutes to the cause that the engine expected of it. */
  expected?: number
  events: (Omit<WrittenEvent, 'at' | 'seq'> & { minutesAgo: number })[]
}

/** How much of it is loaded: no jobs, those of the last days, two years of them with parts, visits and care. */
export const WORLDS = ['bare', 'jobs', 'years'] as const

const JOBS = join(import.meta.dirname, 'demo-jobs.json')
/** Two years of closed ones. */
const YEARS = join(import.meta.dirname, 'demo-years.json.gz')
/** Those that wait for something or were left half way. */
const STANDING = join(import.meta.dirname, 'demo-standing.json')
/** Drawings that stand for photos. */
const PHOTOS = join(import.meta.dirname, 'photos')
const DAY = 86_400_000
/** The first calls of a day come then, ms. */
const DAY_BEGINS = 8 * 3_600_000
/** Days in these files are counted from this one, which stands for the day of the first start. */
const DAY_ZERO = Date.UTC(2000, 0, 1)
/** The machines have been looked after for so long, days. */
const LOOKED_AFTER = 760
/** So many jobs are loaded side by side. */
const AT_ONCE = 4
/** An id made of fixed numbers, so that loading twice changes nothing. */
const fixedId = (n: number) => `01900000-0000-7000-8000-${String(n).padStart(12, '0')}`

/** @param units those of before first: places are numbered in their order */
async function loadPlaces(units: readonly DemoUnit[]): Promise<void> {
  const customers = [...new Set(units.map((u) => `${u.organisationId}|${u.customer}`))]
  const sites = [...new Set(units.map((u) => `${u.organisationId}|${u.customer}|${u.site}`))]
  const customerOf = (key: string) => fixedId(300 + customers.indexOf(key))
  await Customer.bulkCreate(
    customers.map((key) => ({ id: customerOf(key), organisationId: key.split('|')[0]!, name: key.split('|')[1]! })),
    { ignoreDuplicates: true },
  )
  await Site.bulkCreate(
    sites.map((key, i) => ({
      id: fixedId(400 + i),
      customerId: customerOf(key.split('|').slice(0, 2).join('|')),
      name: key.split('|')[2]!,
    })),
    { ignoreDuplicates: true },
  )
  await Unit.bulkCreate(
    units.map(({ customer, site, ...unit }) => ({
      ...unit,
      siteId: fixedId(400 + sites.indexOf(`${unit.organisationId}|${customer}|${site}`)),
    })),
    { ignoreDuplicates: true },
  )
}

type Shapes = Readonly<Record<string, { shape: ReadingShape }>>

/** How readings of a job's machine are written, by test. */
async function shapesFor(events: SeededJob['events']): Promise<Shapes> {
  const opened = events.map((e) => e.payload as { type: string; unit?: string }).find((p) => p.type === 'opened')
  const unit = opened?.unit === undefined ? null : await Unit.findByPk(opened.unit)
  const revision = unit ? await currentRevision(unit.sheet) : undefined
  return revision === undefined ? {} : (await factsOfRevision(revision)).tests
}
/** A reading as it is understood where it is typed. */
function understood({ test, text }: { test: string; text: string }, shapes: Shapes) {
  const shape = shapes[test]?.shape
  const value = shape && parseReading(text, shape)
  return value?.ok ? { value: value.value } : {}
}

/** A day of these files as one of the calendar. */
const realDay = (day: string, start: number) => new Date(start + Date.parse(day) - DAY_ZERO).toISOString().slice(0, 10)

/** An entry as it stands once its day and its moments are those of this start. */
function dated(payload: Payload, at: string, start: number, shapes: Shapes): Payload {
  switch (payload.type) {
    // A run was begun when its event was entered.
    case 'run':
      return { ...payload, began: at }
    case 'reading':
      return { ...payload, ...understood(payload, shapes) }
    case 'decided':
    case 'awaits':
      return payload.until === undefined ? payload : { ...payload, until: realDay(payload.until, start) }
    case 'follow-up':
      return { ...payload, on: realDay(payload.on, start) }
    default:
      return payload
  }
}

async function loadPhotos(): Promise<void> {
  const mara = await findPersonById(people[0]!.id)
  if (!mara) return
  for (const file of readdirSync(PHOTOS)) {
    const bytes = readFileSync(join(PHOTOS, file))
    await writePhoto(mara, createHash('sha256').update(bytes).digest('hex'), bytes)
  }
}

/** Jobs in every state, through the same door as any other: the guard judges each event. */
async function loadJobs(files: readonly string[], start: number): Promise<void> {
  const loadJob = async ({ id, person, expected, events }: SeededJob) => {
    if (await Job.count({ where: { id } })) return
    const who = await findPersonById(person)
    if (!who) return
    const shapes = await shapesFor(events)
    const timed = events.map(({ minutesAgo, ...event }, i) => {
      const at = new Date(start - minutesAgo * 60_000).toISOString()
      const written = upcast({ ...event, at, seq: i + 1 })
      return { ...written, payload: dated(written.payload, at, start, shapes) }
    })
    const { results } = await appendToJob(who, id, timed, undefined)
    const refused = results.find((r) => r.status === 'refused')
    if (refused) throw new Error(`Demo job ${id}: ${JSON.stringify(refused)}`)
    const last = new Date(timed.at(-1)!.at)
    const ended = await Job.count({ where: { id, closedAt: { [Op.ne]: null } } })
    const times = { createdAt: new Date(timed[0]!.at), touchedAt: last, ...(ended ? { closedAt: last } : {}) }
    await Job.update(times, { where: { id } })
    if (ended && expected !== undefined) await keepExpected(id, expected)
  }
  const rest = files.filter(existsSync).flatMap((file) => {
    const bytes = readFileSync(file)
    return JSON.parse((file.endsWith('.gz') ? gunzipSync(bytes) : bytes).toString()) as SeededJob[]
  })
  await Promise.all(
    Array.from({ length: AT_ONCE }, async () => {
      for (let job = rest.shift(); job; job = rest.shift()) await loadJob(job)
    }),
  )
}

/**
 * Loads what is not there yet; nothing where somebody else works.
 *
 * @param hash hashes a password for keeping
 */
export async function loadDemoWorld(
  hash: (password: string) => Promise<string>,
  world: (typeof WORLDS)[number],
): Promise<void> {
  if (await Organisation.count({ where: { id: { [Op.notIn]: [EBB, LANTERN] } } })) return
  const zone = { timeZone: 'Etc/UTC', currency: 'EUR' }
  await Organisation.bulkCreate(
    [
      { id: EBB, name: 'Ebb & Daughters Equipment Care', ...zone },
      { id: LANTERN, name: 'Lantern Row Repairs', ...zone },
    ],
    { ignoreDuplicates: true },
  )
  for (const { password, ...person } of people)
    if (!(await User.findByPk(person.id))) await User.create({ ...person, passwordHash: await hash(password) })
  await loadPlaces(world === 'years' ? [...units, ...moreUnits] : units)
  if (world === 'bare') return
  if (world === 'years') await loadPhotos()
  const now = Date.now()
  // Two years of calls that came by day.
  if (world === 'years') await loadJobs([YEARS], now - ((now - DAY_BEGINS) % DAY))
  await loadJobs(world === 'years' ? [STANDING, JOBS] : [JOBS], now)
  if (world !== 'years') return
  // They were looked after before the first of these jobs came.
  await database().query(
    "UPDATE units SET created_at = now() - make_interval(days => $1) WHERE created_at > now() - interval '1 day'",
    {
      bind: [LOOKED_AFTER],
    },
  )
  await loadShop()
}
