import { execFile, spawn, type ChildProcess } from 'node:child_process'
import { createHash } from 'node:crypto'
import { cpSync, mkdtempSync, rmSync } from 'node:fs'
import { connect } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { promisify } from 'node:util'
import { expect, test } from '@playwright/test'
import pg from 'pg'
import { v7 as uuidv7 } from 'uuid'
import { freePort, startCluster } from '../../scripts/setup/cluster.mjs'
import { postgresBin } from '../../scripts/setup/debian.mjs'
import { jobEvent, openPlace } from './place'

/** A shop of its own, from the built program alone: no sources, no demo world. */
const root = join(import.meta.dirname, '../..')
const run = promisify(execFile)
const LEAD = 'tove@quay.example'
const APP_PASSWORD = 'a password of the tests'

let shop: string
let cluster: Awaited<ReturnType<typeof startCluster>>
let password: string

const commandWith = (appPassword: string, name: string, ...args: string[]) =>
  run(process.execPath, [join(shop, `server/commands/${name}.mjs`), ...args], {
    cwd: shop,
    env: { PATH: process.env.PATH, DATABASE_URL: cluster.url, APP_PASSWORD: appPassword },
  })
const command = (name: string, ...args: string[]) => commandWith(APP_PASSWORD, name, ...args)
const begin = (email: string) =>
  command(
    'begin',
    '--organisation=Quay Repairs',
    '--zone=Etc/UTC',
    '--currency=EUR',
    '--lead=Tove K.',
    `--email=${email}`,
  )
const asOwner = async <T>(text: string, url: string = cluster.url) => {
  const owner = new pg.Client({ connectionString: url })
  await owner.connect()
  try {
    return (await owner.query(text)).rows as T[]
  } finally {
    await owner.end()
  }
}
const appUrl = () => {
  const url = new URL(cluster.url)
  url.username = 'duckweed_app'
  url.password = APP_PASSWORD
  return url.href
}

interface Served {
  url: string
  child: ChildProcess
  lines: () => string
  end: Promise<number | null>
}
const served: Served[] = []
/** Starts the built server as it stands there, with nothing but the address of its database. */
async function serve(databaseUrl = appUrl(), more: Record<string, string> = {}): Promise<Served> {
  const port = await freePort()
  const child = spawn(process.execPath, [join(shop, 'server/index.mjs')], {
    cwd: shop,
    env: { PATH: process.env.PATH, PORT: String(port), HOST: '127.0.0.1', NUXT_DATABASE_URL: databaseUrl, ...more },
    stdio: ['ignore', 'pipe', 'pipe'],
  })
  let lines = ''
  child.stdout.on('data', (d: Buffer) => (lines += d.toString()))
  child.stderr.on('data', (d: Buffer) => (lines += d.toString()))
  const end = new Promise<number | null>((resolve) => child.on('exit', resolve))
  const own = { url: `http://127.0.0.1:${port}`, child, lines: () => lines, end }
  served.push(own)
  await expect.poll(() => statusOf(`${own.url}/api/live`), { timeout: 60_000 }).toBe(200)
  return own
}
const statusOf = (url: string) =>
  fetch(url).then(
    (a) => a.status,
    () => 0,
  )

test.beforeAll(async () => {
  shop = mkdtempSync(join(tmpdir(), 'shop-'))
  cpSync(join(root, '.output'), shop, { recursive: true, verbatimSymlinks: true })
  cluster = await startCluster(root, 'browser-operations', { fresh: true })
})
test.afterAll(async () => {
  for (const { child, end } of served) {
    child.kill('SIGKILL')
    await end
  }
  cluster?.stop()
  rmSync(shop, { recursive: true, force: true })
})

test('the built program alone sets up a shop: two at once, tables once, a first lead, and nobody of the demo', async () => {
  test.setTimeout(240_000)
  // Before its tables are there it lives, and is not ready.
  const early = await serve(cluster.url)
  expect(await statusOf(`${early.url}/api/health`)).toBe(503)
  await expect(
    run(process.execPath, [join(shop, 'server/index.mjs')], { env: { PATH: process.env.PATH } }),
  ).rejects.toThrow('NUXT_DATABASE_URL is not set')
  await expect(commandWith('too-short', 'prepare')).rejects.toMatchObject({ code: 1 })
  await Promise.all([command('prepare'), command('prepare')])
  const [made] = await asOwner<{ once: boolean; people: number }>(
    'SELECT (SELECT count(*) = count(DISTINCT name) FROM migrations) AS once, (SELECT count(*)::int FROM users) AS people',
  )
  expect(made).toEqual({ once: true, people: 0 })
  for (const wrong of [['--lead=x'], ['--organisation=x', '--lead=x', '--email=nobody'], ['--zone=Nowhere/At_All']])
    await expect(command('begin', ...wrong)).rejects.toMatchObject({ code: 1 })
  const { stdout } = await begin(LEAD)
  password = /\n {2}(\S{16})\n/.exec(stdout)![1]!
  await expect(begin(LEAD)).rejects.toMatchObject({ code: 1 })
  const shopServer = await serve()
  await expect.poll(() => statusOf(`${shopServer.url}/api/health`), { timeout: 60_000 }).toBe(200)
  // The role that the server works as may change no table and is nobody's superuser.
  const [role] = await asOwner(
    "SELECT rolsuper, rolcreatedb, rolcreaterole FROM pg_roles WHERE rolname = 'duckweed_app'",
  )
  expect(role).toEqual({ rolsuper: false, rolcreatedb: false, rolcreaterole: false })
  await expect(asOwner('CREATE TABLE mine (x int)', appUrl())).rejects.toThrow('permission denied')
})

test('who was let in works; a line for each request says nothing of anybody', async ({ playwright }) => {
  const [{ url, lines }] = served.slice(-1) as [Served]
  const request = await playwright.request.newContext()
  const signIn = await request.post(`${url}/api/session`, { data: { email: LEAD, password } })
  expect(signIn.status()).toBe(200)
  await request.get(`${url}/api/find?q=Mrs+Halyard`)
  await request.get(`${url}/api/calendar/not-a-secret-of-anybody`)
  await request.get(`${url}/api/units?q=Halyard`)
  await expect
    .poll(
      () =>
        lines()
          .split('\n')
          .filter((l) => l.includes('"/api/units"')).length,
    )
    .toBe(1)
  const own = lines()
    .split('\n')
    .filter((l) => l.startsWith('{'))
    .map((l) => JSON.parse(l) as { method: string; path: string; status: number; ms: number })
  expect(own.filter((l) => l.path === '/api/session')).toMatchObject([{ method: 'POST', status: 200 }])
  expect(own.filter((l) => l.path === '/api/find')).toMatchObject([{ method: 'GET', status: 200 }])
  expect(lines()).not.toMatch(/halyard|tove|not-a-secret/i)
  expect(lines()).not.toContain(password)
})

test('behind a proxy that is trusted, what counts is where the proxy saw a request come from', async () => {
  test.setTimeout(180_000)
  const { url } = await serve(appUrl(), { TRUSTED_PROXY: '1' })
  await expect.poll(() => statusOf(`${url}/api/health`), { timeout: 60_000 }).toBe(200)
  const guess = async (i: number, forwarded: string) => {
    const answer = await fetch(`${url}/api/session`, {
      method: 'POST',
      headers: { 'content-type': 'application/json', 'x-forwarded-for': forwarded },
      body: JSON.stringify({ email: `nobody-${i}@quay.example`, password: 'guess' }),
    })
    return answer.status
  }
  // Whoever guesses writes another address in front each time.
  const told: number[] = []
  for (let i = 0; i < 120; i += 8)
    told.push(
      ...(await Promise.all(Array.from({ length: 8 }, (_, k) => guess(i + k, `203.0.113.${i + k}, 198.51.100.7`)))),
    )
  expect(told.filter((s) => s === 401).length).toBeLessThanOrEqual(100)
  expect(told.at(-1)).toBe(429)
  expect(await guess(200, '198.51.100.7, 203.0.113.9')).toBe(401)
})

test('told to end, it answers what is under way and is gone within ten seconds, whoever has half a request open', async () => {
  const { url, child, end } = await serve()
  await expect.poll(() => statusOf(`${url}/api/health`), { timeout: 60_000 }).toBe(200)
  const { port } = new URL(url)
  const half = ['POST /api/session HTTP/1.1\r\nHost: x\r\nContent-Length: 900\r\n\r\n{', 'GET /api/he', '']
  const open = half.map((text) => {
    const socket = connect(Number(port), '127.0.0.1', () => socket.write(text))
    socket.on('error', () => undefined)
    return socket
  })
  // A statement of a second that is under way.
  const waiting = new pg.Client({ connectionString: cluster.url })
  await waiting.connect()
  await waiting.query('BEGIN; LOCK TABLE sign_in_tries IN ACCESS EXCLUSIVE MODE')
  const under = fetch(`${url}/api/session`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ email: LEAD, password }),
  })
  await new Promise((go) => setTimeout(go, 300))
  const told = Date.now()
  child.kill('SIGTERM')
  await new Promise((go) => setTimeout(go, 1000))
  await waiting.query('ROLLBACK')
  await waiting.end()
  expect((await under).status).toBe(200)
  await end
  expect(Date.now() - told).toBeLessThan(10_000)
  for (const socket of open) socket.destroy()
})

test('a copy that was restored into an empty cluster has every entry, and the server works on it', async ({
  playwright,
}) => {
  test.setTimeout(300_000)
  const place = await openPlace('copied', { world: 'jobs' })
  const other = await startCluster(root, 'browser-restored', { fresh: true })
  try {
    const request = await playwright.request.newContext()
    expect(
      (
        await request.post(`${place.url}/api/session`, {
          data: { email: 'mara@ebb.example', password: 'low-tide-4-pumps' },
        })
      ).status(),
    ).toBe(200)
    const job = uuidv7()
    const opening = {
      type: 'opened',
      unit: '01900000-0000-7000-8000-000000000101',
      complaints: ['no-fill'],
      words: 'kept',
    }
    await request.post(`${place.url}/api/jobs/${job}/events`, { data: { events: [jobEvent(opening)] } })
    const everything = (url: string) =>
      Promise.all(
        ['job_events', 'jobs', 'units', 'users', 'sheet_revisions', 'migrations'].map(async (table) => {
          const rows = await asOwner<{ row: string }>(`SELECT t::text AS row FROM ${table} t ORDER BY 1`, url)
          return [table, rows.length, createHash('sha256').update(JSON.stringify(rows)).digest('hex')]
        }),
      )
    // As docs/operations.md says.
    const bin = postgresBin()!
    const copy = join(shop, 'duckweed.copy')
    const { owner } = place
    await run(join(bin, 'pg_dump'), ['--format=custom', `--file=${copy}`, owner])
    await run(join(bin, 'pg_restore'), [
      '--no-owner',
      '--no-acl',
      '--exit-on-error',
      '--single-transaction',
      `--dbname=${other.url}`,
      copy,
    ])
    expect(await everything(other.url)).toEqual(await everything(owner))
    await run(process.execPath, [join(shop, 'server/commands/prepare.mjs')], {
      cwd: shop,
      env: { PATH: process.env.PATH, DATABASE_URL: other.url, APP_PASSWORD },
    })
    expect(await everything(other.url)).toEqual(await everything(owner))
    const url = new URL(other.url)
    url.username = 'duckweed_app'
    url.password = APP_PASSWORD
    const again = await serve(url.href)
    await expect.poll(() => statusOf(`${again.url}/api/health`), { timeout: 60_000 }).toBe(200)
    const there = await playwright.request.newContext()
    await there.post(`${again.url}/api/session`, { data: { email: 'mara@ebb.example', password: 'low-tide-4-pumps' } })
    expect(await (await there.get(`${again.url}/api/jobs/${job}`)).json()).toMatchObject({ id: job, seq: 1 })
  } finally {
    await place.close()
    other.stop()
  }
})
