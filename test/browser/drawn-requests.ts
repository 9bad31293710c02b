import { createHash } from 'node:crypto'
import { v7 as uuidv7 } from 'uuid'
import { PICTURE } from '../fixtures/jpeg'
import { normal, random } from '../../core/truth'
import { CONTRACTS } from '../../shared/contracts'
import { jobEvent, MARA } from './place'

export const UNIT = '01900000-0000-7000-8000-000000000101'
/** What Mara's photo is known by. */
export const PHOTO = createHash('sha256').update(PICTURE).digest('hex')
export const CUSTOMER = '01900000-0000-7000-8000-000000000300'
export const SITE = '01900000-0000-7000-8000-000000000400'
export const METER = '01900000-0000-7000-8000-000000000500'
export const PART = '01900000-0000-7000-8000-000000000999'
export const MARA_ID = '01900000-0000-7000-8000-000000000011'
/** Half a surrogate as the bytes that a careless client sends for it; what begins with a % goes as it is. */
const inAddress = (text: string) =>
  text.startsWith('%')
    ? text
    : text
        .split(/(\p{Surrogate})/u)
        .map((t) => (/^\p{Surrogate}$/u.test(t) ? '%ED%A0%80' : encodeURIComponent(t)))
        .join('')
/** A path with its parameters. */
export const fill = (path: string, params: Record<string, string>) =>
  path.replace(/:(\w+)/g, (_, name: string) => inAddress(params[name] ?? ''))
/** Right bodies, by the name of their contract. */
export const BODIES: Record<string, () => unknown> = {
  signIn: () => MARA,
  appendEvents: () => ({ events: [jobEvent({ type: 'note', text: 'x' })] }),
  createUnit: () => ({ id: uuidv7(), title: 'x', serial: '', sheet: 'orrisk-tl40', customer: 'c', site: 's' }),
  updateUnit: () => ({ title: 'x', serial: '', sheet: 'orrisk-tl40', customer: 'c', site: 's', retired: false }),
  updateCustomer: () => ({ name: 'mine now' }),
  updateSite: () => ({ name: 'mine now' }),
  askForReport: () => ({ form: 'full', reader: 'customer' }),
  writePart: () => ({
    number: 'X-1',
    title: 'x',
    kind: '',
    fits: [],
    kit: [],
    substitutes: [],
    volts: '',
    degrees: '',
    contact: '',
    thread: '',
    priceMinor: null,
    reorderAt: 0,
    retired: false,
  }),
  putVisit: () => ({
    unit: UNIT,
    job: null,
    carePlan: null,
    person: MARA_ID,
    day: '2030-01-07',
    start: 600,
    minutes: 45,
    reason: 'call',
    note: '',
    ended: null,
    version: 0,
  }),
  putCare: () => ({
    unit: UNIT,
    title: 'x',
    everyDays: 30,
    minutes: 30,
    lastDone: null,
    water: null,
    retired: false,
  }),
  makeCalendarLink: () => ({}),
  moveStock: () => ({ type: 'received', id: uuidv7(), to: 'shop', count: 1 }),
  importParts: () => ({ commit: true, rows: [{ number: 'X-2', title: 'x' }] }),
  allowMeter: () => ({ name: 'bench', host: '192.168.4.20', port: 5025 }),
  invite: () => ({ id: uuidv7(), name: 'x', email: `${uuidv7()}@ebb.example`, role: 'trainee' }),
  changeAccount: () => ({ name: 'x', role: 'lead', left: false }),
  resetPassword: () => ({}),
  changePassword: () => ({ old: 'x', password: 'y'.repeat(12) }),
  importCustomers: () => ({ commit: true, rows: [{ customer: 'c2', site: 's2' }] }),
  writeRules: () => ({ hourMinor: 6000, workBegins: 480, workEnds: 1020, travelMinutes: 15, keepPapersMonths: null }),
  importUnits: () => ({ commit: true, rows: [{ title: 'x', sheet: 'orrisk-tl40', customer: 'c', site: 's' }] }),
}
/** Anything that somebody may send, right or wrong, of any size that a hand would type. */
export function drawer(seed: number) {
  const next = random(seed)
  const pick = <T>(list: readonly T[]): T => list[Math.floor(next() * list.length)]!
  const texts = [
    '',
    'x',
    '\u0000',
    'a\u0000b',
    '\ud800',
    '‮',
    'ß'.repeat(300),
    '0',
    '-1',
    'null',
    '../../etc',
    "'; DROP TABLE jobs; --",
    '%',
    '%E0%A4%A',
    '%00',
    '😀',
    UNIT,
    '00000000-0000-0000-0000-000000000000',
    uuidv7(),
    'NaN',
    '1e400',
    '__proto__',
    '<b>',
  ]
  const value = (depth = 0): unknown => {
    const kind = next()
    if (kind < 0.35) return pick(texts)
    if (kind < 0.45) return normal(next) * 10 ** Math.floor(next() * 20)
    if (kind < 0.5) return pick([null, true, false, 0, -1, 2 ** 31, 1e21])
    if (depth > 2) return pick(texts)
    if (kind < 0.65) return Array.from({ length: Math.floor(next() * 4) }, () => value(depth + 1))
    const keys = [
      'events',
      'id',
      'payload',
      'type',
      'title',
      'rows',
      'commit',
      'email',
      'password',
      'sentAt',
      'name',
      'customer',
      'sheet',
      '__proto__',
      'constructor',
    ]
    return Object.fromEntries(Array.from({ length: Math.floor(next() * 5) }, () => [pick(keys), value(depth + 1)]))
  }
  /** A right thing with one place of it made wrong. */
  const bend = (right: unknown): unknown => {
    if (typeof right !== 'object' || right === null || next() < 0.2) return value()
    const copy = structuredClone(right) as Record<string, unknown>
    const keys = Object.keys(copy)
    if (!keys.length) return value()
    const key = pick(keys)
    if (next() < 0.15) return Object.fromEntries(Object.entries(copy).filter(([k]) => k !== key))
    copy[key] = next() < 0.6 ? bend(copy[key]) : value()
    return copy
  }
  return { next, pick, text: () => pick(texts), value, bend }
}

export type Drawer = ReturnType<typeof drawer>

const opening = () => jobEvent({ type: 'opened', unit: UNIT, complaints: ['no-fill'], words: 'Tuesday' })
const SENT = Object.entries(CONTRACTS).filter(([name]) => name !== 'signOut' && name !== 'endSession')

/** A request to some route, mostly a wrong one; of what a signed-in lead may ask for, about a job of theirs among others. */
export function drawRequest(draw: Drawer, job: string) {
  const right: Record<string, () => unknown> = {
    ...BODIES,
    signIn: () => ({ email: `${draw.text()}@x`, password: draw.text() }),
    appendEvents: () => ({
      events: [
        draw.pick([
          jobEvent({ type: 'note', text: 'x' }),
          jobEvent({ type: 'reading', test: 'tub.filling', text: 'no' }),
          jobEvent({ type: 'retracted', event: uuidv7() }),
          opening(),
        ]),
      ],
      sentAt: new Date().toISOString(),
    }),
  }
  const [name, contract] = draw.pick(SENT)
  const params = { id: draw.next() < 0.6 ? job : draw.text(), revision: draw.text(), hash: draw.text() }
  const query =
    draw.next() < 0.4 ? `?${draw.pick(['q', 'cursor', 'after', 'state', 'unit', 'x'])}=${inAddress(draw.text())}` : ''
  const made = right[name] ? (draw.next() < 0.8 ? draw.bend(right[name]()) : draw.value()) : undefined
  const raw = draw.next() < 0.05 ? draw.pick(['{"broken', '[', '\u0000', '"\\ud800"', '{}{}']) : JSON.stringify(made)
  const bare = contract.method === 'GET' || contract.method === 'DELETE' || raw === undefined
  return {
    method: contract.method,
    address: fill(contract.path, params) + query,
    headers: { 'content-type': draw.next() < 0.95 ? 'application/json' : 'text/plain' },
    body: bare ? undefined : Buffer.from(raw),
  }
}
