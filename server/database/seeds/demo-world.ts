import { existsSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { upcast, type WrittenEvent } from '../../../core/job'
import { appendToJob } from '../../areas/jobs/service'
import { findPersonById } from '../../areas/session/service'
import { Customer, Job, Organisation, Site, Unit, User } from '../models'

/** Two organisations of the invented Tern Harbour with their people and machines. Ids are fixed: loading twice changes nothing. */
const EBB = '01900000-0000-7000-8000-000000000001'
const LANTERN = '01900000-0000-7000-8000-000000000002'

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

const units = [
  {
    id: '01900000-0000-7000-8000-000000000101',
    organisationId: EBB,
    sheet: 'orrisk-tl40',
    title: 'Orrisk TL-40, laundry left',
    customer: 'Harbour Lights Hostel',
    site: 'Laundry, basement',
  },
  {
    id: '01900000-0000-7000-8000-000000000102',
    organisationId: EBB,
    sheet: 'orrisk-tl40',
    title: 'Orrisk TL-40, laundry right',
    customer: 'Harbour Lights Hostel',
    site: 'Laundry, basement',
  },
  {
    id: '01900000-0000-7000-8000-000000000103',
    organisationId: EBB,
    sheet: 'top-load-washer',
    title: 'Top-load washer, no tech sheet',
    customer: 'Net Loft Café',
    site: 'Back room',
  },
  {
    id: '01900000-0000-7000-8000-000000000111',
    organisationId: EBB,
    sheet: 'orrisk-tl22',
    title: 'Orrisk TL-22, staff laundry',
    customer: 'Harbour Lights Hostel',
    site: 'Attic',
  },
  {
    id: '01900000-0000-7000-8000-000000000112',
    organisationId: EBB,
    sheet: 'tarvost-fl7',
    title: 'Tarvost FL-7, guest laundry',
    customer: 'Harbour Lights Hostel',
    site: 'Laundry, basement',
  },
  {
    id: '01900000-0000-7000-8000-000000000113',
    organisationId: EBB,
    sheet: 'tarvost-fl5',
    title: 'Tarvost FL-5, linen room',
    customer: 'Harbour Lights Hostel',
    site: 'Second floor',
  },
  {
    id: '01900000-0000-7000-8000-000000000114',
    organisationId: EBB,
    sheet: 'brindlow-d6',
    title: 'Brindlow D-6, kitchen',
    customer: 'Harbour Lights Hostel',
    site: 'Kitchen',
  },
  {
    id: '01900000-0000-7000-8000-000000000115',
    organisationId: EBB,
    sheet: 'brindlow-d3',
    title: 'Brindlow D-3, bar',
    customer: 'Net Loft Café',
    site: 'Behind the bar',
  },
  {
    id: '01900000-0000-7000-8000-000000000116',
    organisationId: EBB,
    sheet: 'quenby-c40',
    title: 'Quenby C-40 cubes',
    customer: 'Fish Dock No. 2',
    site: 'Packing hall',
  },
  {
    id: '01900000-0000-7000-8000-000000000117',
    organisationId: EBB,
    sheet: 'quenby-c25',
    title: 'Quenby C-25 cubes',
    customer: 'Fish Dock No. 2',
    site: 'Quay office',
  },
  {
    id: '01900000-0000-7000-8000-000000000118',
    organisationId: EBB,
    sheet: 'ulldale-f9',
    title: 'Ulldale F-9 flakes',
    customer: 'Fish Dock No. 2',
    site: 'Auction floor',
  },
  {
    id: '01900000-0000-7000-8000-000000000119',
    organisationId: EBB,
    sheet: 'ulldale-f6',
    title: 'Ulldale F-6 flakes',
    customer: 'Fish Dock No. 2',
    site: 'Cold store',
  },
  {
    id: '01900000-0000-7000-8000-000000000120',
    organisationId: EBB,
    sheet: 'brindlow-s12',
    title: 'Brindlow S-12 steamer',
    customer: 'Quay Bakery',
    site: 'Prover side',
  },
  {
    id: '01900000-0000-7000-8000-000000000121',
    organisationId: EBB,
    sheet: 'brindlow-s8',
    title: 'Brindlow S-8 steamer',
    customer: 'Quay Bakery',
    site: 'Shop kitchen',
  },
  {
    id: '01900000-0000-7000-8000-000000000122',
    organisationId: EBB,
    sheet: 'ulldale-g6',
    title: 'Ulldale G-6, six zones',
    customer: 'Maritime Garden',
    site: 'Pump house',
  },
  {
    id: '01900000-0000-7000-8000-000000000123',
    organisationId: EBB,
    sheet: 'ulldale-g6s',
    title: 'Ulldale G-6S, rose beds',
    customer: 'Maritime Garden',
    site: 'Gate lodge',
  },
  {
    id: '01900000-0000-7000-8000-000000000201',
    organisationId: LANTERN,
    sheet: 'orrisk-tl40',
    title: 'Orrisk TL-40, flat 3',
    customer: 'Slipway Showers',
    site: 'Caretaker’s flat',
  },
  {
    id: '01900000-0000-7000-8000-000000000124',
    organisationId: EBB,
    sheet: 'quenby-c12',
    title: 'Quenby C-12 cubes',
    customer: 'Fish Dock No. 2',
    site: 'Snack bar',
  },
  {
    id: '01900000-0000-7000-8000-000000000131',
    organisationId: EBB,
    sheet: 'tarvost-e8',
    title: 'Tarvost E-8, cabin 3',
    customer: 'Slipway Showers',
    site: 'Shower hut, sea side',
  },
  {
    id: '01900000-0000-7000-8000-000000000132',
    organisationId: EBB,
    sheet: 'tarvost-e10',
    title: 'Tarvost E-10, cabin 7',
    customer: 'Slipway Showers',
    site: 'Shower hut, land side',
  },
  {
    id: '01900000-0000-7000-8000-000000000133',
    organisationId: EBB,
    sheet: 'tarvost-e7',
    title: 'Tarvost E-7, cabin 1',
    customer: 'Slipway Showers',
    site: 'Shower hut, sea side',
  },
  {
    id: '01900000-0000-7000-8000-000000000134',
    organisationId: EBB,
    sheet: 'tarvost-e9',
    title: 'Tarvost E-9, cabin 9',
    customer: 'Slipway Showers',
    site: 'Shower hut, land side',
  },
]

/** One demo job as the command that plays them wrote it, in the version of then. Times are minutes before the first start. */
interface SeededJob {
  id: string
  person: string
  events: (Omit<WrittenEvent, 'at' | 'seq'> & { minutesAgo: number })[]
}

const JOBS = join(import.meta.dirname, 'demo-jobs.json')
/** An id made of fixed numbers, so that loading twice changes nothing. */
const fixedId = (n: number) => `01900000-0000-7000-8000-${String(n).padStart(12, '0')}`

async function loadPlaces(): Promise<void> {
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

/** Jobs in every state, through the same door as any other: the guard judges each event. */
async function loadJobs(): Promise<void> {
  if (!existsSync(JOBS)) return
  const jobs = JSON.parse(readFileSync(JOBS, 'utf8')) as SeededJob[]
  const start = Date.now()
  for (const { id, person, events } of jobs) {
    if (await Job.count({ where: { id } })) continue
    const who = await findPersonById(person)
    if (!who) continue
    const timed = events.map(({ minutesAgo, ...event }, i) =>
      upcast({ ...event, at: new Date(start - minutesAgo * 60_000).toISOString(), seq: i + 1 }),
    )
    const { results } = await appendToJob(who, id, timed, undefined)
    const refused = results.find((r) => r.status === 'refused')
    if (refused) throw new Error(`Demo job ${id}: ${JSON.stringify(refused)}`)
    const last = new Date(timed.at(-1)!.at)
    await Job.update({ createdAt: new Date(timed[0]!.at), touchedAt: last }, { where: { id } })
  }
}

/**
 * Loads what is not there yet.
 *
 * @param hash hashes a password for keeping
 */
export async function loadDemoWorld(
  hash: (password: string) => Promise<string>,
  { jobs }: { jobs: boolean },
): Promise<void> {
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
  await loadPlaces()
  if (jobs) await loadJobs()
}
