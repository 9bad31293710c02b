import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { expect, test, type APIRequestContext, type APIResponse } from '@playwright/test'
import { v7 as uuidv7 } from 'uuid'
import { PICTURE } from '../fixtures/jpeg'
import { CONTRACTS } from '../../shared/contracts'
import { errorAnswer, type Contract } from '../../shared/contracts/contract'
import { BODIES, CUSTOMER, drawer, drawRequest, fill, METER, PART, PHOTO, SITE, UNIT } from './drawn-requests'
import { askAs, IVO, jobEvent, MARA, openPlace, PIM, WENNA, type Place } from './place'

let place: Place
test.beforeAll(async () => {
  place = await openPlace('fences')
})
test.afterAll(() => place.close())

const opening = (unit = UNIT) => jobEvent({ type: 'opened', unit, complaints: ['no-fill'], words: 'Tuesday' })

/** The status of a stream, which would go on for ever. */
async function statusOf(request: APIRequestContext, path: string): Promise<number> {
  const { cookies } = await request.storageState()
  const away = new AbortController()
  const cookie = cookies.map((c) => `${c.name}=${c.value}`).join('; ')
  const { status } = await fetch(`${place.url}/api/${path}`, { headers: { cookie }, signal: away.signal })
  away.abort()
  return status
}
async function newJob(request: APIRequestContext): Promise<string> {
  const job = uuidv7()
  const answer = await request.post(`${place.url}/api/jobs/${job}/events`, { data: { events: [opening()] } })
  expect(await answer.json()).toMatchObject({ results: [{ status: 'accepted', seq: 1 }] })
  return job
}

/** Values that lead to Mara's things, for the places that a contract leaves open. */
const marasParams = (contract: Contract, job: string, revision: string): Record<string, string> => ({
  id: contract.path.includes('/jobs/')
    ? job
    : contract.path.includes('/customers/')
      ? CUSTOMER
      : contract.path.includes('/sites/')
        ? SITE
        : contract.path.includes('/meters/')
          ? METER
          : contract.path.includes('/parts/')
            ? PART
            : UNIT,
  revision,
  hash: PHOTO,
  engine: '0a1b',
})
const ask = (request: APIRequestContext, contract: Contract, name: string, params: Record<string, string>) =>
  request.fetch(place.url + fill(contract.path, params), {
    method: contract.method,
    ...(contract.file ? { headers: { 'content-type': contract.file.type } } : {}),
    data: contract.file
      ? PICTURE
      : contract.method === 'GET' || contract.method === 'DELETE'
        ? undefined
        : BODIES[name]?.(),
  })
async function oneShape(answer: APIResponse, what: string): Promise<string> {
  const body = await answer.text()
  expect(errorAnswer.safeParse(JSON.parse(body)).success, `${what}: ${body}`).toBe(true)
  expect(body, what).not.toMatch(/\bat .*\.m?[jt]s:\d+|stack|SELECT|node_modules/)
  return body
}

test('what is shipped comes with its licences: pages, workers, the service worker and the fonts', async ({
  request,
}) => {
  const notices = (await (await request.get(`${place.url}/licences.txt`)).text()).split('-'.repeat(80))
  const licenceOf = (name: string) => notices.find((n) => n.trim().startsWith(`${name} `)) ?? ''
  const { dependencies } = JSON.parse(readFileSync('package.json', 'utf8')) as { dependencies: Record<string, string> }
  for (const font of ['@fontsource-variable/atkinson-hyperlegible-next', '@fontsource/roboto'])
    expect(licenceOf(font), font).toMatch(/OFL-1\.1[^]*SIL OPEN FONT LICENSE/)
  expect(licenceOf('comlink')).toMatch(/Apache-2\.0[^]*Apache License/)
  expect(licenceOf('workbox-core')).toContain('MIT')
  // In the engine's worker alone.
  expect(licenceOf('yaml')).toContain('ISC')
  const client = ['dexie', 'papaparse', 'pinia', 'primevue', 'uuid', 'vue-router', 'zod'] as const
  for (const name of client) expect(licenceOf(name), name).toContain(dependencies[name])
})

test('every route of the server has a contract, and every contract a route', () => {
  const files = readdirSync(join(import.meta.dirname, '../../server/api'), { recursive: true, encoding: 'utf8' })
    .filter((f) => f.endsWith('.ts') && f !== '[...].ts' && f !== 'news.get.ts' && !f.endsWith('stream.get.ts'))
    .map((f) => {
      const [, path, method] = /^(.*?)(?:\/index)?\.(get|post|put|patch|delete)\.ts$/.exec(f.replaceAll('\\', '/'))!
      return `${method!.toUpperCase()} /api/${path!.replace(/\[(\w+)\]/g, ':$1')}`
    })
  expect(files.sort()).toEqual(
    Object.values(CONTRACTS)
      .map((c) => `${c.method} ${c.path}`)
      .sort(),
  )
})

test('nobody signed in gets nothing; each role gets what its contract names, and no more', async ({ playwright }) => {
  const mara = await askAs(playwright, place, MARA)
  const job = await newJob(mara)
  const [{ hash }] = (await place.sql('SELECT hash FROM sheet_revisions LIMIT 1')) as [{ hash: string }]
  for (const [role, who] of [
    ['technician', undefined],
    ['lead', MARA],
    ['trainee', PIM],
    ['read-only', WENNA],
  ] as const) {
    const request = await askAs(playwright, place, who ?? null)
    for (const [name, contract] of Object.entries(CONTRACTS)) {
      if (contract.roles === 'anyone') continue
      const answer = await ask(request, contract, name, marasParams(contract, job, hash))
      const what = `${who?.email ?? 'nobody'}: ${contract.method} ${contract.path}`
      if (!who) expect(answer.status(), what).toBe(401)
      else if (contract.roles.includes(role)) expect([401, 403], what).not.toContain(answer.status())
      else expect(answer.status(), what).toBe(403)
      if (!answer.ok()) await oneShape(answer, what)
    }
    for (const [path, status] of [
      ['news', who ? 200 : 401],
      ['archive/stream', who ? (role === 'lead' ? 200 : 403) : 401],
      [`meters/${uuidv7()}/stream?reads=ohms`, who ? (role === 'read-only' ? 403 : 404) : 401],
    ] as const)
      expect(await statusOf(request, path), `${role} ${path}`).toBe(status)
  }
})

test('no route shows or lets touch anything of the other organisation', async ({ playwright }) => {
  const mara = await askAs(playwright, place, MARA)
  const job = await newJob(mara)
  const seen = async () => {
    const answers = await Promise.all(
      [`jobs/${job}`, `units/${UNIT}`, 'customers', 'units'].map((p) => mara.get(`${place.url}/api/${p}`)),
    )
    return Promise.all(answers.map((a) => a.text()))
  }
  await mara.put(`${place.url}/api/photos/${PHOTO}`, { headers: { 'content-type': 'image/jpeg' }, data: PICTURE })
  await mara.put(`${place.url}/api/meters/${METER}`, { data: BODIES.allowMeter!() })
  await mara.put(`${place.url}/api/parts/${PART}`, { data: BODIES.writePart!() })
  const before = await seen()
  const ivo = await askAs(playwright, place, IVO)
  const [{ hash }] = (await place.sql('SELECT hash FROM sheet_revisions LIMIT 1')) as [{ hash: string }]
  for (const [name, contract] of Object.entries(CONTRACTS)) {
    if (contract.roles === 'anyone') continue
    const answer = await ask(ivo, contract, name, marasParams(contract, job, hash))
    const body = await answer.text()
    const foreign =
      contract.path.includes(':id') || (contract.file && contract.method === 'GET' && contract.path.includes(':'))
    if (foreign) expect(answer.status(), contract.path).toBe(404)
    else for (const id of [job, UNIT, CUSTOMER]) expect(body, contract.path).not.toContain(id)
    expect(body).not.toContain('Harbour Lights')
  }
  const stream = await ivo.get(`${place.url}/api/meters/${METER}/stream?reads=ohms`)
  expect(stream.status()).toBe(404)
  const stolen = await ivo.post(`${place.url}/api/jobs/${job}/events`, {
    data: { events: [opening('01900000-0000-7000-8000-000000000201')] },
  })
  expect(await stolen.json()).toMatchObject({ results: [{ status: 'refused', code: 'id-taken' }] })
  expect(await seen()).toEqual(before)
})

/** The same with one of its texts ended by something else, for each of them. */
function* ended(value: unknown, by: string): Generator<unknown> {
  if (typeof value === 'string') yield value + by
  else if (typeof value === 'object' && value !== null)
    for (const key of Object.keys(value))
      for (const other of ended((value as Record<string, unknown>)[key], by))
        yield Array.isArray(value) ? value.with(Number(key), other) : { ...value, [key]: other }
}

/** What judges each of its things by itself, so that one wrong one is named and holds up no other. */
const JUDGES_EACH = ['appendEvents', 'importParts', 'importUnits', 'importCustomers']

test('no text of any request holds a character that cannot be kept', async ({ playwright }) => {
  const request = await askAs(playwright, place, MARA)
  let texts = 0
  for (const [name, contract] of Object.entries(CONTRACTS))
    for (const odd of ['\u0000', '\ud800']) {
      for (const body of ended(BODIES[name]?.(), odd)) {
        texts++
        const what = `${name} ${JSON.stringify(body)}`
        if (!JUDGES_EACH.includes(name)) expect(contract.body.safeParse(body).success, what).toBe(false)
        else if (name !== 'appendEvents') {
          const answer = await request.post(place.url + contract.path, {
            data: Buffer.from(JSON.stringify(body)),
            headers: { 'content-type': 'application/json' },
          })
          expect(answer.status(), what).toBe(200)
          expect(((await answer.json()) as { problems: object[] }).problems.length, what).toBeGreaterThan(0)
        }
      }
      for (const key of ['q', 'cursor', 'unit', 'after', 'on', 'from']) {
        const read = contract.query.safeParse({ [key]: `x${odd}` })
        expect(read.success && JSON.stringify(read.data).includes('x'), `${name} ${key}`).toBe(false)
      }
    }
  expect(texts).toBeGreaterThan(80)
})

for (const [title, seed] of [
  ['a fixed seed', 20],
  ['a fresh seed', Math.floor(Date.now() % 1e9)],
] as const)
  test(`five hundred drawn requests of ${title} get one shape of 4xx, never a stack or a 5xx`, async ({
    playwright,
  }) => {
    process.stdout.write(`drawn requests: seed ${seed}\n`)
    const request = await askAs(playwright, place, MARA)
    const job = await newJob(request)
    const draw = drawer(seed)
    for (let batch = 0; batch < 25; batch++)
      await Promise.all(
        Array.from({ length: 20 }, async () => {
          const { method, address, headers, body } = drawRequest(draw, job)
          const answer = await request.fetch(place.url + address, {
            method,
            // A connection kept open may end just as it is used again.
            maxRetries: 2,
            headers,
            data: body,
          })
          const what = `${method} ${address} ${body?.toString() ?? ''}`
          expect(answer.status(), `${what}: ${await answer.text()}`).toBeLessThan(500)
          if (answer.status() >= 400) await oneShape(answer, what)
        }),
      )
    // And the server is as it was.
    expect(await (await request.get(`${place.url}/api/health`)).json()).toEqual({ ok: true })
  })

test('wrong addresses, methods, bodies and versions each get their own answer', async ({ playwright }) => {
  const request = await askAs(playwright, place, MARA)
  const job = await newJob(request)
  const events = `${place.url}/api/jobs/${job}/events`
  const person = ((await (await request.get(`${place.url}/api/session`)).json()) as { person: { id: string } }).person
    .id
  const good = () => ({ events: [jobEvent({ type: 'note', text: 'x' })] })
  for (const [status, answer] of [
    [404, request.get(`${place.url}/api/nowhere`)],
    [405, request.put(`${place.url}/api/jobs`, { data: {} })],
    [405, request.delete(`${place.url}/api/jobs/${job}/events`)],
    [404, request.get(`${place.url}/api/jobs/${uuidv7()}`)],
    [404, request.post(`${place.url}/api/jobs/${uuidv7()}/events`, { data: good() })],
    [400, request.post(events, { headers: { 'content-type': 'application/json' }, data: '{"broken' })],
    [415, request.post(events, { headers: { 'content-type': 'text/plain' }, data: 'x' })],
    [413, request.post(events, { data: { events: ['x'.repeat(1_100_000)] } })],
    [426, request.post(events, { headers: { 'x-duckweed-contract': '0' }, data: good() })],
    [403, request.post(events, { headers: { 'x-duckweed-person': uuidv7() }, data: good() })],
    [200, request.post(events, { headers: { 'x-duckweed-person': person }, data: good() })],
  ] as const) {
    const a = await answer
    expect(a.status(), a.url()).toBe(status)
    if (status >= 400) await oneShape(a, a.url())
  }
})

test('ending a session closes its stream of news, and it opens nothing any more', async ({ playwright }) => {
  const [here, there] = [await askAs(playwright, place, MARA), await askAs(playwright, place, MARA)]
  const { cookies } = await there.storageState()
  const stream = await fetch(`${place.url}/api/news`, {
    headers: { cookie: cookies.map((c) => `${c.name}=${c.value}`).join('; ') },
  })
  expect(stream.headers.get('content-type')).toContain('text/event-stream')
  const { sessions } = (await (await here.get(`${place.url}/api/sessions`)).json()) as {
    sessions: { id: string; here: boolean; seenAt: string }[]
  }
  const ended = stream.text()
  for (const s of sessions.filter((x) => !x.here)) await here.delete(`${place.url}/api/sessions/${s.id}`)
  expect(await ended).toContain('event: ended')
  expect((await there.get(`${place.url}/api/jobs`)).status()).toBe(401)
  expect((await here.get(`${place.url}/api/jobs`)).status()).toBe(200)
})
