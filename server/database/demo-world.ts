import { Machine, Organisation, User } from './models'

/** Two organisations of the invented Tern Harbour with their people and machines. Ids are fixed: loading twice changes nothing. */
const EBB = '01900000-0000-7000-8000-000000000001'
const LANTERN = '01900000-0000-7000-8000-000000000002'

const people = [
  {
    id: '01900000-0000-7000-8000-000000000011',
    organisationId: EBB,
    email: 'mara@ebb.example',
    name: 'Mara E.',
    password: 'low-tide-4-pumps',
  },
  {
    id: '01900000-0000-7000-8000-000000000012',
    organisationId: EBB,
    email: 'joss@ebb.example',
    name: 'Joss E.',
    password: 'low-tide-4-pumps',
  },
  {
    id: '01900000-0000-7000-8000-000000000021',
    organisationId: LANTERN,
    email: 'ivo@lantern.example',
    name: 'Ivo L.',
    password: 'lamp-post-7-keys',
  },
]

const machines = [
  {
    id: '01900000-0000-7000-8000-000000000101',
    organisationId: EBB,
    sheet: 'orrisk-tl40',
    title: 'Orrisk TL-40, laundry left',
    customer: 'Harbour Lights Hostel',
    place: 'Laundry, basement',
  },
  {
    id: '01900000-0000-7000-8000-000000000102',
    organisationId: EBB,
    sheet: 'orrisk-tl40',
    title: 'Orrisk TL-40, laundry right',
    customer: 'Harbour Lights Hostel',
    place: 'Laundry, basement',
  },
  {
    id: '01900000-0000-7000-8000-000000000103',
    organisationId: EBB,
    sheet: 'top-load-washer',
    title: 'Top-load washer, no tech sheet',
    customer: 'Net Loft Café',
    place: 'Back room',
  },
  {
    id: '01900000-0000-7000-8000-000000000201',
    organisationId: LANTERN,
    sheet: 'orrisk-tl40',
    title: 'Orrisk TL-40, flat 3',
    customer: 'Slipway Showers',
    place: 'Caretaker’s flat',
  },
]

/** @param hash hashes a password for keeping */
export async function loadDemoWorld(hash: (password: string) => Promise<string>): Promise<void> {
  await Organisation.bulkCreate(
    [
      { id: EBB, name: 'Ebb & Daughters Equipment Care' },
      { id: LANTERN, name: 'Lantern Row Repairs' },
    ],
    { ignoreDuplicates: true },
  )
  for (const { password, ...person } of people)
    if (!(await User.findByPk(person.id))) await User.create({ ...person, passwordHash: await hash(password) })
  await Machine.bulkCreate(machines, { ignoreDuplicates: true })
}
