import { readFileSync } from 'node:fs'
import { request as httpRequest } from 'node:http'
import { chromium, expect, test, type Page } from '@playwright/test'
import pg from 'pg'
import { v7 as uuidv7 } from 'uuid'
import config from '../../playwright.config'
import { askAs, heldBy, IVO, jobEvent, MARA, openPlace, signIn, type Place } from './place'

let place: Place
test.beforeAll(async () => {
  place = await openPlace('attacks', { world: 'jobs' })
})
test.afterAll(() => place.close())

const UNIT = '01900000-0000-7000-8000-000000000101'
const opening = () => jobEvent({ type: 'opened', unit: UNIT, complaints: ['no-fill'], words: 'x' })

/** What a page was kept from, by its policy. */
async function kept(page: Page): Promise<string[]> {
  const out: string[] = []
  await page.exposeFunction('keptFrom', (what: string) => out.push(what))
  await page.addInitScript(() => {
    addEventListener('securitypolicyviolation', (e) =>
      (window as unknown as { keptFrom(what: string): void }).keptFrom(
        `${e.violatedDirective} ${e.blockedURI} ${e.sourceFile}`,
      ),
    )
  })
  return out
}

test('pages run nothing but what the build wrote: no page asks for more, and what is slipped in does not run', async ({
  page,
}) => {
  test.setTimeout(240_000)
  const violations = await kept(page)
  await signIn(page, place)
  for (const [path, heading] of [
    ['/jobs', 'Jobs'],
    ['/machines', 'Machines'],
    ['/tools', 'Tools'],
    ['/shop/schedule', /./],
    ['/shop/figures', /./],
    ['/shop/parts', 'Parts'],
    ['/shop/people', 'People'],
    ['/shop/rules', 'Rules of the shop'],
    ['/me', /Mara/],
  ] as const) {
    await page.goto(place.url + path)
    await expect(page.getByRole('heading', { name: heading }).first()).toBeVisible({ timeout: 60_000 })
  }
  // The engine in its worker, too.
  await page.goto(`${place.url}/jobs/new`)
  await expect(page.getByRole('heading').first()).toBeVisible()
  const { jobs } = (await (await page.request.get(`${place.url}/api/jobs?state=open`)).json()) as {
    jobs: { id: string }[]
  }
  await page.goto(`${place.url}/jobs/${jobs[0]!.id}/find`)
  await expect(page.getByRole('heading', { name: 'What each suspect would make it show' }).first()).toBeVisible({
    timeout: 90_000,
  })
  expect(violations).toEqual([])
  await page.evaluate(() => {
    const script = document.createElement('script')
    script.textContent = 'window.slippedIn = true'
    document.body.append(script)
  })
  expect(await page.evaluate(() => 'slippedIn' in window)).toBe(false)
  await expect.poll(() => violations.length).toBe(1)
})

test('every answer says what it may be used for, and a page that there is not is none', async ({ playwright }) => {
  const request = await askAs(playwright, place)
  for (const [path, status] of [
    ['/', 200],
    ['/jobs', 200],
    ['/jobs/', 200],
    ['/shop/parts/x', 200],
    ['/nowhere', 404],
    ['/jobs/x/nowhere', 404],
    ['/.env', 404],
    ['/api/jobs', 200],
    ['/api/nowhere', 404],
  ] as const) {
    const answer = await request.get(place.url + path)
    expect(answer.status(), path).toBe(status)
    const headers = answer.headers()
    expect(headers['x-powered-by'], path).toBeUndefined()
    expect(headers, path).toMatchObject({ 'x-content-type-options': 'nosniff', 'x-frame-options': 'DENY' })
    expect(headers['content-security-policy'], path).toContain("frame-ancestors 'none'")
    expect(headers['content-security-policy'], path).not.toMatch(/script-src[^;]*unsafe/)
    if (path.startsWith('/api')) expect(headers['cache-control']).toBe('no-store')
  }
})

test('what changes something is taken from our own pages only, signing in too', async ({ playwright }) => {
  const job = uuidv7()
  const request = await askAs(playwright, place)
  const ways = [
    [200, { origin: place.url }],
    [200, {}],
    [403, { origin: 'https://elsewhere.example' }],
    [403, { origin: 'null' }],
    [403, { origin: place.url.replace('127.0.0.1', '127.0.0.1.elsewhere.example') }],
    [403, { 'sec-fetch-site': 'cross-site' }],
    [403, { 'sec-fetch-site': 'same-site' }],
  ] as const
  for (const [status, headers] of ways) {
    const signIn = await request.post(`${place.url}/api/session`, { data: MARA, headers })
    expect(signIn.status(), JSON.stringify(headers)).toBe(status)
    const append = await request.post(`${place.url}/api/jobs/${job}/events`, { data: { events: [opening()] }, headers })
    expect(append.status(), JSON.stringify(headers)).toBe(status)
    const out = await request.delete(`${place.url}/api/meters/${uuidv7()}`, { headers })
    expect(out.status() === 403, JSON.stringify(headers)).toBe(status === 403)
    // A form of another place sends no JSON.
    const form = await request.post(`${place.url}/api/session`, { form: MARA, headers })
    expect(form.status()).toBe(status === 403 ? 403 : 415)
  }
})

test('over plain http from another machine one signs in, works, and is told what that lacks', async () => {
  const { args = [], ...options } = config.use!.launchOptions!
  const browser = await chromium.launch({
    ...options,
    args: [...args, '--host-resolver-rules=MAP shop.example 127.0.0.1'],
  })
  try {
    const page = await browser.newPage()
    const url = place.url.replace('127.0.0.1', 'shop.example')
    await page.goto(`${url}/sign-in`)
    await expect(page.getByText('can be read on its way')).toBeVisible()
    await signIn(page, { url })
    await page.goto(`${url}/jobs`)
    await expect(page.getByRole('heading', { name: 'Jobs' })).toBeVisible()
    await expect(page.getByText('can be read on its way')).toBeVisible()
  } finally {
    await browser.close()
  }
})

/** Sends without end what nobody asked for, until somebody answers. @returns the status and how much went, bytes */
function flood(path: string, most: number, cookie = ''): Promise<{ status: number; sent: number }> {
  const piece = Buffer.alloc(64 * 1024, '[')
  return new Promise((resolve) => {
    let sent = 0
    let over = false
    const request = httpRequest(place.url + path, {
      method: 'POST',
      headers: { 'content-type': 'application/json', 'transfer-encoding': 'chunked', cookie },
    })
    const end = (status: number) => {
      over = true
      resolve({ status, sent })
      request.destroy()
    }
    request.on('response', (answer) => end(answer.statusCode ?? 0))
    request.on('error', () => over || end(0))
    const go = () => {
      while (!over && sent < most) {
        sent += piece.length
        if (!request.write(piece)) return void request.once('drain', go)
      }
    }
    go()
  })
}
test('bodies are refused while they arrive: nobody’s before it is known whose, nobody’s above what is taken', async ({
  playwright,
}) => {
  const request = await askAs(playwright, place)
  const { cookies } = await request.storageState()
  const cookie = cookies.map((c) => `${c.name}=${c.value}`).join('; ')
  const before = heldBy(place.pid())
  const MANY = 150_000_000
  for (const [path, who, status] of [
    ['/api/session', '', 413],
    [`/api/jobs/${uuidv7()}/events`, '', 401],
    [`/api/jobs/${uuidv7()}/events`, cookie, 413],
    ['/api/units/import', cookie, 413],
  ] as const) {
    const all = await Promise.all([1, 2, 3, 4].map(() => flood(path, MANY, who)))
    for (const one of all) {
      expect(one.status, path).toBe(status)
      // What stands in the buffers of the two ends, and no more.
      expect(one.sent, path).toBeLessThan(20_000_000)
    }
  }
  expect(heldBy(place.pid()) - before).toBeLessThan(150_000_000)
  const part = await request.put(`${place.url}/api/parts/${uuidv7()}`, { data: { title: 'x'.repeat(100_000) } })
  expect(part.status()).toBe(413)
  for (const [status, text] of [
    [413, '['.repeat(8_000_000)],
    [400, '['.repeat(900_000)],
    [400, `{"events":${'['.repeat(60)}${']'.repeat(60)}}`],
    [400, `{${Array.from({ length: 40_000 }, (_, i) => `"unknown-${i}":1`).join(',')}}`],
    [400, JSON.stringify({ events: [], ['x'.repeat(900_000)]: 1 })],
  ] as const) {
    const answer = await request.post(`${place.url}/api/jobs/${uuidv7()}/events`, {
      headers: { 'content-type': 'application/json' },
      data: Buffer.from(text),
    })
    expect(answer.status(), text.slice(0, 40)).toBe(status)
    expect((await answer.body()).length).toBeLessThan(8000)
  }
})

test('a database that says nothing any more is not waited for without end, and is gone on with when it is back', async ({
  playwright,
}) => {
  test.setTimeout(120_000)
  const request = await askAs(playwright, place)
  const backends = (await place.sql('SELECT pid FROM pg_stat_activity WHERE pid <> pg_backend_pid()')).map((r) =>
    Number(r.pid),
  )
  expect(backends.length).toBeGreaterThan(3)
  // Who would make new ones, too.
  backends.push(Number(/PPid:\s+(\d+)/.exec(readFileSync(`/proc/${backends[0]}/status`, 'utf8'))![1]))
  for (const pid of backends) process.kill(pid, 'SIGSTOP')
  try {
    const answers = await Promise.all(
      Array.from({ length: 15 }, () => request.get(`${place.url}/api/jobs`, { timeout: 25_000 })),
    )
    for (const answer of answers) expect([answer.status(), await answer.json()]).toMatchObject([503, { error: {} }])
    expect((await request.get(`${place.url}/api/live`)).status()).toBe(200)
  } finally {
    for (const pid of backends) process.kill(pid, 'SIGCONT')
  }
  await expect.poll(async () => (await request.get(`${place.url}/api/jobs`)).status(), { timeout: 20_000 }).toBe(200)
})

test('sixty who write to one job that somebody holds keep nobody else waiting', async ({ playwright }) => {
  const [mara, ivo] = [await askAs(playwright, place), await askAs(playwright, place, IVO)]
  const job = uuidv7()
  const events = `${place.url}/api/jobs/${job}/events`
  await mara.post(events, { data: { events: [opening()] } })
  const holder = new pg.Client({ connectionString: place.owner })
  await holder.connect()
  await holder.query(`BEGIN; SELECT FROM jobs WHERE id = '${job}' FOR UPDATE`)
  let answered = 0
  const senders = Array.from({ length: 60 }, (_, i) =>
    mara
      .post(events, { data: { events: [jobEvent({ type: 'said', complaints: ['no-fill'], words: `${i}` })] } })
      .then((answer) => (answered++, answer.status())),
  )
  await expect
    .poll(async () =>
      Number((await place.sql("SELECT count(*) AS n FROM pg_stat_activity WHERE wait_event_type = 'Lock'"))[0]!.n),
    )
    .toBeGreaterThan(0)
  for (let i = 0; i < 20; i++) expect((await ivo.get(`${place.url}/api/jobs`)).status()).toBe(200)
  expect(answered).toBe(0)
  await holder.query('ROLLBACK')
  await holder.end()
  expect(new Set(await Promise.all(senders))).toEqual(new Set([200]))
  const { seq } = (await (await mara.get(`${place.url}/api/jobs/${job}`)).json()) as { seq: number }
  expect(seq).toBe(61)
})

test('one id is one entry however it is written; a batch answers for each of its entries', async ({ playwright }) => {
  const request = await askAs(playwright, place)
  const job = uuidv7()
  const send = async (to: string, events: object[]) =>
    (await (await request.post(`${place.url}/api/jobs/${to}/events`, { data: { events } })).json()) as {
      results: { id: string; status: string; code?: string }[]
    }
  const note = jobEvent({ type: 'note', text: 'as it was' })
  const { id } = note
  await send(job, [opening(), note])
  const { results } = await send(job.toUpperCase(), [
    { ...note, id: id.toUpperCase() },
    { ...note, payload: { type: 'note', text: 'otherwise' } },
    { ...jobEvent({ type: 'note', text: 'a\u0000b' }) },
    { ...jobEvent({ type: 'note', text: 'x'.repeat(4001) }) },
    { id: 7 },
    null as unknown as object,
    jobEvent({ type: 'note', text: 'last' }),
  ])
  expect(results.map((r) => [r.status, r.code])).toEqual([
    ['duplicate', undefined],
    ['refused', 'id-taken'],
    ['refused', 'wrong-shape'],
    ['refused', 'wrong-shape'],
    ['refused', 'wrong-shape'],
    ['refused', 'wrong-shape'],
    ['accepted', undefined],
  ])
  expect((await request.get(`${place.url}/api/jobs/${job.toUpperCase()}`)).status()).toBe(200)
  const { events } = (await (await request.get(`${place.url}/api/jobs/${job}`)).json()) as { events: object[] }
  expect(events.length).toBe(3)
})
