import { readdirSync } from 'node:fs'
import { join } from 'node:path'
import { expect, test, type APIRequestContext } from '@playwright/test'
import { IVO, MARA, openPlace, type Place } from './place'

let place: Place
test.beforeAll(async () => {
  place = await openPlace('fences')
})
test.afterAll(() => place.close())

const MACHINE = '01900000-0000-7000-8000-000000000101'
const STRANGE = '01900000-0000-7000-8000-00000000dead'
let n = 0
const uuid = () => `01900000-0000-7000-9000-${String(++n).padStart(12, '0')}`
const event = (what: object) => ({ id: uuid(), v: 1, at: '2026-03-01T10:00:00.000Z', device: 'test', what })
const opening = (machine = MACHINE) => ({
  job: uuid(),
  machine,
  event: event({ is: 'opened', machine, complaints: ['no-fill'], words: '' }),
})

async function signedIn(request: APIRequestContext, who: typeof MARA): Promise<void> {
  const r = await request.post(`${place.url}/api/session`, { data: who })
  expect(r.status()).toBe(200)
}
async function newJob(request: APIRequestContext): Promise<string> {
  const body = opening()
  expect((await request.post(`${place.url}/api/jobs`, { data: body })).status()).toBe(201)
  return body.job
}

/** Every registered route, read from the folder that registers it. */
function routes(): string[] {
  const base = join(import.meta.dirname, '../../server/api')
  return readdirSync(base, { recursive: true, encoding: 'utf8' })
    .filter((f) => f.endsWith('.ts'))
    .map((f) => f.replace(/\.ts$/, '').replaceAll('\\', '/'))
    .sort()
}

/** What each route answers to somebody of the other organisation who knows the ids. */
const OTHERS: Record<string, (r: APIRequestContext, job: string) => Promise<void>> = {
  '[...]': async (r) => expect((await r.get(`${place.url}/api/nowhere`)).status()).toBe(404),
  'health.get': async (r) => expect(await (await r.get(`${place.url}/api/health`)).json()).toEqual({ ok: true }),
  'session/index.get': async (r) =>
    expect(JSON.stringify(await (await r.get(`${place.url}/api/session`)).json())).not.toContain('Ebb'),
  'session/index.post': async (r) =>
    expect((await r.post(`${place.url}/api/session`, { data: { ...MARA, password: IVO.password } })).status()).toBe(
      401,
    ),
  'session/index.delete': async (r) => {
    expect((await r.delete(`${place.url}/api/session`)).status()).toBe(200)
    await signedIn(r, IVO)
  },
  'machines/index.get': async (r) =>
    expect(await (await r.get(`${place.url}/api/machines`)).text()).not.toContain(MACHINE),
  'machines/[id]/sheet.get': async (r) =>
    expect((await r.get(`${place.url}/api/machines/${MACHINE}/sheet`)).status()).toBe(404),
  'jobs/index.get': async (r, job) => expect(await (await r.get(`${place.url}/api/jobs`)).text()).not.toContain(job),
  'jobs/index.post': async (r, job) => {
    expect((await r.post(`${place.url}/api/jobs`, { data: opening() })).status()).toBe(404)
    const own = opening('01900000-0000-7000-8000-000000000201')
    expect((await r.post(`${place.url}/api/jobs`, { data: { ...own, job } })).status()).toBe(409)
  },
  'jobs/[id]/index.get': async (r, job) => expect((await r.get(`${place.url}/api/jobs/${job}`)).status()).toBe(404),
  'jobs/[id]/events.post': async (r, job) =>
    expect(
      (
        await r.post(`${place.url}/api/jobs/${job}/events`, { data: { events: [event({ is: 'note', text: 'x' })] } })
      ).status(),
    ).toBe(404),
}

test('no route shows or lets touch anything of the other organisation', async ({ playwright }) => {
  expect(routes(), 'a route without a case here').toEqual(Object.keys(OTHERS).sort())
  const mara = await playwright.request.newContext()
  await signedIn(mara, MARA)
  const job = await newJob(mara)
  const before = await (await mara.get(`${place.url}/api/jobs/${job}`)).json()
  const ivo = await playwright.request.newContext()
  await signedIn(ivo, IVO)
  for (const [route, knock] of Object.entries(OTHERS)) await test.step(route, () => knock(ivo, job))
  expect(await (await mara.get(`${place.url}/api/jobs/${job}`)).json()).toEqual(before)
})

test('nobody signed in gets nothing', async ({ playwright }) => {
  const nobody = await playwright.request.newContext()
  for (const path of ['machines', `machines/${MACHINE}/sheet`, 'jobs', `jobs/${STRANGE}`])
    expect((await nobody.get(`${place.url}/api/${path}`)).status(), path).toBe(401)
  expect((await nobody.post(`${place.url}/api/jobs`, { data: opening() })).status()).toBe(401)
})

test('bad input gets a clear 4xx in one shape, never a stack', async ({ playwright }) => {
  const r = await playwright.request.newContext()
  await signedIn(r, MARA)
  const job = await newJob(r)
  const post = (path: string, data: unknown) => r.post(`${place.url}/api/${path}`, { data: data as object })
  const cases: [number, ReturnType<typeof post>][] = [
    [400, post('jobs', {})],
    [400, r.post(`${place.url}/api/jobs`, { data: '{"broken', headers: { 'content-type': 'application/json' } })],
    [400, post(`jobs/${job}/events`, { events: [{ id: 'x' }] })],
    [400, post(`jobs/${job}/events`, { events: [] })],
    [404, post(`jobs/${STRANGE}/events`, { events: [event({ is: 'note', text: 'x' })] })],
    [400, r.get(`${place.url}/api/jobs/not-an-id`)],
    [422, post(`jobs/${job}/events`, { events: [event({ is: 'reading', test: 'no.such', text: '1' })] })],
    [422, post(`jobs/${job}/events`, { events: [event({ is: 'retracted', event: STRANGE })] })],
    [422, post(`jobs/${job}/events`, { events: [event({ is: 'reading', test: 'tub.filling', text: 'banana' })] })],
    [409, post(`jobs/${job}/events`, { events: [event({ is: 'reading', test: 'cold-valve.volts', text: '120' })] })],
    [400, post('session', { email: 'x' })],
    [404, r.put(`${place.url}/api/jobs`, { data: {} })],
  ]
  for (const [status, pending] of cases) {
    const answer = await pending
    const body = await answer.text()
    expect(answer.status(), body).toBe(status)
    const { error } = JSON.parse(body) as { error: { code: string; message: string } }
    expect(error.code).toMatch(/^[a-z-]+$/)
    expect(error.message.length).toBeGreaterThan(5)
    expect(body).not.toMatch(/\bat .*\.m?[jt]s:\d+|stack/i)
  }
})

test('an event posted twice is harmless', async ({ playwright }) => {
  const r = await playwright.request.newContext()
  await signedIn(r, MARA)
  const job = await newJob(r)
  const e = event({ is: 'note', text: 'left a towel under it' })
  for (let i = 0; i < 2; i++)
    expect((await r.post(`${place.url}/api/jobs/${job}/events`, { data: { events: [e, e] } })).status()).toBe(200)
  const { events } = (await (await r.get(`${place.url}/api/jobs/${job}`)).json()) as { events: { id: string }[] }
  expect(events.filter((x) => x.id === e.id)).toHaveLength(1)
  expect(events).toHaveLength(2)
  const other = await newJob(r)
  expect((await r.post(`${place.url}/api/jobs/${other}/events`, { data: { events: [e] } })).status()).toBe(409)
})

test('many senders at once: each event is kept once, and of two that exclude each other one is refused', async ({
  playwright,
}) => {
  const r = await playwright.request.newContext()
  await signedIn(r, MARA)
  const body = opening()
  const answers = await Promise.all(Array.from({ length: 6 }, () => r.post(`${place.url}/api/jobs`, { data: body })))
  expect(answers.every((a) => a.ok())).toBe(true)
  const send = (...events: object[]) => r.post(`${place.url}/api/jobs/${body.job}/events`, { data: { events } })
  const notes = Array.from({ length: 8 }, (_, i) => event({ is: 'note', text: `note ${i}` }))
  await Promise.all([...notes, ...notes].map((e) => send(e)))
  const closing = await Promise.all(
    Array.from({ length: 4 }, () => send(event({ is: 'closed', repair: '', text: '' }))),
  )
  expect(closing.map((a) => a.status()).sort()).toEqual([200, 409, 409, 409])
  const { events } = (await (await r.get(`${place.url}/api/jobs/${body.job}`)).json()) as { events: unknown[] }
  expect(events).toHaveLength(1 + 8 + 1)
})

test('tries to sign in are limited, and a password is kept only as a hash', async ({ playwright }) => {
  const r = await playwright.request.newContext()
  const wrong = { email: 'joss@ebb.example', password: 'guess' }
  const answers: number[] = []
  for (let i = 0; i < 7; i++) answers.push((await r.post(`${place.url}/api/session`, { data: wrong })).status())
  expect(answers.slice(0, 5)).toEqual([401, 401, 401, 401, 401])
  expect(answers.at(-1)).toBe(429)
  expect(
    (await r.post(`${place.url}/api/session`, { data: { ...wrong, password: 'low-tide-4-pumps' } })).status(),
  ).toBe(429)
})
