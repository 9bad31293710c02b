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
    id: '01900000-0000-7000-8000-000000000111',
    organisationId: EBB,
    sheet: 'orrisk-tl22',
    title: 'Orrisk TL-22, staff laundry',
    customer: 'Harbour Lights Hostel',
    place: 'Attic',
  },
  {
    id: '01900000-0000-7000-8000-000000000112',
    organisationId: EBB,
    sheet: 'tarvost-fl7',
    title: 'Tarvost FL-7, guest laundry',
    customer: 'Harbour Lights Hostel',
    place: 'Laundry, basement',
  },
  {
    id: '01900000-0000-7000-8000-000000000113',
    organisationId: EBB,
    sheet: 'tarvost-fl5',
    title: 'Tarvost FL-5, linen room',
    customer: 'Harbour Lights Hostel',
    place: 'Second floor',
  },
  {
    id: '01900000-0000-7000-8000-000000000114',
    organisationId: EBB,
    sheet: 'brindlow-d6',
    title: 'Brindlow D-6, kitchen',
    customer: 'Harbour Lights Hostel',
    place: 'Kitchen',
  },
  {
    id: '01900000-0000-7000-8000-000000000115',
    organisationId: EBB,
    sheet: 'brindlow-d3',
    title: 'Brindlow D-3, bar',
    customer: 'Net Loft Café',
    place: 'Behind the bar',
  },
  {
    id: '01900000-0000-7000-8000-000000000116',
    organisationId: EBB,
    sheet: 'quenby-c40',
    title: 'Quenby C-40 cubes',
    customer: 'Fish Dock No. 2',
    place: 'Packing hall',
  },
  {
    id: '01900000-0000-7000-8000-000000000117',
    organisationId: EBB,
    sheet: 'quenby-c25',
    title: 'Quenby C-25 cubes',
    customer: 'Fish Dock No. 2',
    place: 'Quay office',
  },
  {
    id: '01900000-0000-7000-8000-000000000118',
    organisationId: EBB,
    sheet: 'ulldale-f9',
    title: 'Ulldale F-9 flakes',
    customer: 'Fish Dock No. 2',
    place: 'Auction floor',
  },
  {
    id: '01900000-0000-7000-8000-000000000119',
    organisationId: EBB,
    sheet: 'ulldale-f6',
    title: 'Ulldale F-6 flakes',
    customer: 'Fish Dock No. 2',
    place: 'Cold store',
  },
  {
    id: '01900000-0000-7000-8000-000000000120',
    organisationId: EBB,
    sheet: 'brindlow-s12',
    title: 'Brindlow S-12 steamer',
    customer: 'Quay Bakery',
    place: 'Prover side',
  },
  {
    id: '01900000-0000-7000-8000-000000000121',
    organisationId: EBB,
    sheet: 'brindlow-s8',
    title: 'Brindlow S-8 steamer',
    customer: 'Quay Bakery',
    place: 'Shop kitchen',
  },
  {
    id: '01900000-0000-7000-8000-000000000122',
    organisationId: EBB,
    sheet: 'ulldale-g6',
    title: 'Ulldale G-6, six zones',
    customer: 'Maritime Garden',
    place: 'Pump house',
  },
  {
    id: '01900000-0000-7000-8000-000000000123',
    organisationId: EBB,
    sheet: 'ulldale-g6s',
    title: 'Ulldale G-6S, rose beds',
    customer: 'Maritime Garden',
    place: 'Gate lodge',
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
