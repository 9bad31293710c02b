/**
 * `npm run bench:house`: how fast and how light the application round the engine is, as ratios to a bare reference in
 * the same run. Five interleaved rounds; a fixed loop before each says whether the machine was busy.
 *
 *     node scripts/bundled.mjs benchmark/house.ts
 */
import { readFileSync } from 'node:fs'
import { Agent, request } from 'node:http'
import { loadavg, tmpdir } from 'node:os'
import { join } from 'node:path'
import { chromium } from '@playwright/test'
import pg from 'pg'
import { v7 as uuidv7 } from 'uuid'
import { EVENT_VERSION } from '../core/job'
import config from '../playwright.config'
import { freePort, startCluster } from '../scripts/setup/cluster.mjs'
import { prepareDatabase } from '../scripts/setup/database.mjs'
import { ensureBuild } from '../scripts/setup/build.mjs'
import { serve } from '../scripts/setup/serve.mjs'
import { printRows, type Row } from './table'
import { quantile } from './time-jobs'
import { calibrate, inTurn, timed } from './timing'

const root = process.cwd()
const ROUNDS = 5
const LISTED = 5000
const LONG = 10_000
const SENDERS = 20
const UNIT = '01900000-0000-7000-8000-000000000101'
/** Rounds whose calibration differs by more than this share say nothing about speed. */
const BUSY_FROM = 0.2

const median = (list: readonly number[]) => quantile(list, 0.5)
await ensureBuild(root)
const cluster = await startCluster(root, 'bench', { fresh: true })
const appUrl = await prepareDatabase(root, cluster.url, { world: 'bare' })
if (!appUrl) throw new Error('The database could not be prepared.')
const port = await freePort()
const delayFile = join(tmpdir(), `loop-delay-${port}.json`)
process.env.LOOP_DELAY_FILE = delayFile
process.env.NODE_OPTIONS = `--import=${join(root, 'benchmark/loop-delay.mjs')}`
const server = await serve(root, { port, databaseUrl: appUrl })
delete process.env.NODE_OPTIONS
const base = `http://127.0.0.1:${port}`
const owner = new pg.Client({ connectionString: cluster.url })
await owner.connect()

let cookie = ''
/** A light client: what it costs itself must not hide what the server costs. */
const agent = new Agent({ keepAlive: true, maxSockets: SENDERS })
function ask(path: string, method = 'GET', body?: unknown): Promise<unknown> {
  const data = body === undefined ? undefined : JSON.stringify(body)
  const sent =
    data === undefined ? {} : { 'content-type': 'application/json', 'content-length': Buffer.byteLength(data) }
  return new Promise((resolve, reject) => {
    const asked = request({ host: '127.0.0.1', port, path, method, agent, headers: { cookie, ...sent } }, (answer) => {
      let text = ''
      answer.setEncoding('utf8')
      answer.on('data', (piece: string) => (text += piece))
      answer.on('end', () => {
        if (path === '/api/session') cookie = answer.headers['set-cookie']!.map((c) => c.split(';')[0]!).join('; ')
        if (answer.statusCode! < 400) resolve(JSON.parse(text))
        else reject(new Error(`${path}: ${answer.statusCode} ${text}`))
      })
    })
    asked.on('error', reject)
    asked.end(data)
  })
}
let made = 0
const event = (payload: object) => ({
  id: uuidv7(),
  version: EVENT_VERSION,
  at: new Date().toISOString(),
  device: 'bench',
  ordinal: ++made,
  baseSeq: 2 ** 31 - 1,
  payload,
})
const append = (job: string, payload: object = { type: 'note', text: 'x' }) =>
  ask(`/api/jobs/${job}/events`, 'POST', { events: [event(payload)], sentAt: new Date().toISOString() })
async function newJob(): Promise<string> {
  const job = uuidv7()
  await append(job, { type: 'opened', unit: UNIT, complaints: ['no-fill'], words: 'measured' })
  return job
}
/** The longest that the server's loop waited since it was asked last, ms. */
async function loopDelay(): Promise<number> {
  server.child.kill('SIGUSR2')
  await new Promise((go) => setTimeout(go, 300))
  return (JSON.parse(readFileSync(delayFile, 'utf8')) as { max: number }).max
}

async function fill(): Promise<string> {
  const pattern = await newJob()
  await owner.query(
    `INSERT INTO jobs (id, organisation_id, unit_id, revision, opened_by, created_at, seq, standing, listed, touched_at, touched_by)
     SELECT gen_random_uuid(), organisation_id, unit_id, revision, opened_by, created_at, seq, standing, listed,
       date_trunc('milliseconds', now() - n * interval '1 minute'), touched_by
     FROM jobs, generate_series(1, ${LISTED}) n WHERE id = $1`,
    [pattern],
  )
  await owner.query(
    `INSERT INTO job_words SELECT j.id, 'measured harbour lights hostel number ' || row_number() OVER () FROM jobs j WHERE j.id NOT IN (SELECT job_id FROM job_words)`,
  )
  const long = await newJob()
  await owner.query(
    `INSERT INTO job_events (id, job_id, user_id, version, at, device, payload, seq, ordinal, base_seq)
     SELECT gen_random_uuid(), id, opened_by, 2, now(), 'bench',
       CASE WHEN n % 3 = 0 THEN '{"type":"reading","test":"tub.filling","text":"no"}'::jsonb ELSE '{"type":"note","text":"a note of a usual length, as hands write it"}'::jsonb END,
       n, n, n - 1
     FROM jobs, generate_series(2, ${LONG}) n WHERE id = $1`,
    [long],
  )
  await owner.query(`UPDATE jobs SET seq = ${LONG}, standing = jsonb_set(standing, '{seq}', '${LONG}') WHERE id = $1`, [
    long,
  ])
  await owner.query('CREATE TABLE bare_events (id uuid PRIMARY KEY, job_id uuid, body jsonb)')
  await owner.query('VACUUM ANALYZE')
  return long
}

/** A page of jobs as bare as it can be asked for. */
const PAGE = `SELECT id, standing FROM jobs WHERE organisation_id = '01900000-0000-7000-8000-000000000001' ORDER BY touched_at DESC, id DESC LIMIT 51`

interface Round {
  calibration: number
  list: number
  search: number
  bareList: number
  append: number
  bareAppend: number
  fresh: number
  long: number
  opens: number
  delay: number
}

async function round(long: string, clients: pg.Client[]): Promise<Round> {
  const calibration = calibrate()
  await loopDelay()
  const bareList = quantile(await inTurn(60, () => clients[0].query(PAGE)), 0.95)
  const list = quantile(await inTurn(60, () => ask('/api/jobs')), 0.95)
  const search = quantile(await inTurn(60, (i) => ask(`/api/jobs?q=number+${(i * 79) % LISTED}`)), 0.95)
  const jobs = await Promise.all(Array.from({ length: SENDERS }, newJob))
  const bare = await Promise.all(
    clients.map((c) =>
      inTurn(25, async () => {
        await c.query('BEGIN')
        await c.query('INSERT INTO bare_events VALUES ($1, $2, $3)', [uuidv7(), UNIT, '{"type":"note","text":"x"}'])
        await c.query('COMMIT')
      }),
    ),
  )
  const sent = await Promise.all(jobs.map((job) => inTurn(25, () => append(job))))
  const one = await newJob()
  const fresh: number[] = []
  const grown: number[] = []
  for (let i = 0; i < 40; i++) {
    fresh.push(await timed(() => append(one)))
    grown.push(await timed(() => append(long)))
  }
  const opens = await timed(async () => {
    for (let after = 0; ;) {
      const page = (await ask(`/api/jobs/${long}?after=${after}`)) as { seq: number; events: { seq: number }[] }
      after = page.events.at(-1)?.seq ?? page.seq
      if (after >= page.seq) break
    }
  })
  return {
    calibration,
    list,
    search,
    bareList,
    append: quantile(sent.flat(), 0.95),
    bareAppend: quantile(bare.flat(), 0.95),
    fresh: median(fresh),
    long: median(grown),
    opens,
    delay: await loopDelay(),
  }
}

/** Bytes over the wire, compressed, of everything that a page loads from nothing. */
async function weight(): Promise<{ signIn: number; find: number; opens: number }> {
  const browser = await chromium.launch(config.use!.launchOptions!)
  try {
    const context = await browser.newContext({ serviceWorkers: 'block', viewport: { width: 390, height: 844 } })
    const page = await context.newPage()
    const bytes = async (act: () => Promise<unknown>) => {
      const sizes: Promise<number>[] = []
      const note = (r: { sizes(): Promise<{ responseBodySize: number; responseHeadersSize: number }> }) =>
        void sizes.push(
          r.sizes().then(
            (s) => s.responseBodySize + s.responseHeadersSize,
            () => 0,
          ),
        )
      context.on('requestfinished', note)
      await act()
      await page.waitForTimeout(800)
      context.off('requestfinished', note)
      return (await Promise.all(sizes)).reduce((a, b) => a + b, 0)
    }
    const signIn = await bytes(async () => {
      await page.goto(`${base}/sign-in`)
      await page.getByRole('button', { name: 'Sign in' }).waitFor()
    })
    await page.getByLabel('E-mail').fill('mara@ebb.example')
    await page.getByLabel('Password').fill('low-tide-4-pumps')
    await page.getByRole('button', { name: 'Sign in' }).click()
    await page.getByRole('heading', { name: 'Jobs' }).waitFor()
    const job = await newJob()
    const cold = await browser.newContext({ serviceWorkers: 'block', storageState: await context.storageState() })
    const find = await cold.newPage()
    const sizes: Promise<number>[] = []
    cold.on(
      'requestfinished',
      (r) =>
        void sizes.push(
          r.sizes().then(
            (s) => s.responseBodySize + s.responseHeadersSize,
            () => 0,
          ),
        ),
    )
    const opens = await timed(async () => {
      await find.goto(`${base}/jobs/${job}`)
      await find.getByRole('region', { name: 'Advice' }).waitFor()
    })
    await find.waitForTimeout(800)
    return { signIn, find: (await Promise.all(sizes)).reduce((a, b) => a + b, 0), opens }
  } finally {
    await browser.close()
  }
}

try {
  await ask('/api/session', 'POST', { email: 'mara@ebb.example', password: 'low-tide-4-pumps' })
  const long = await fill()
  const clients = await Promise.all(
    Array.from({ length: SENDERS }, async () => {
      const client = new pg.Client({ connectionString: cluster.url })
      await client.connect()
      return client
    }),
  )
  await round(long, clients)
  const rounds: Round[] = []
  for (let i = 0; i < ROUNDS; i++) rounds.push(await round(long, clients))
  await Promise.all(clients.map((c) => c.end()))
  const { signIn, find, opens } = await weight()
  const ratio = (what: string, a: keyof Round, b: keyof Round, most?: number): Row[] => {
    const all = rounds.map((r) => r[a] / r[b])
    return [
      { what: `${what}: ratio, middle of ${ROUNDS} rounds`, figure: median(all), unit: '×', most },
      { what: '  from', figure: Math.min(...all), unit: '×' },
      { what: '  to', figure: Math.max(...all), unit: '×' },
      { what: '  in figures', figure: median(rounds.map((r) => r[a])), unit: 'ms' },
      { what: '  the bare reference', figure: median(rounds.map((r) => r[b])), unit: 'ms' },
    ]
  }
  const calibrations = rounds.map((r) => r.calibration)
  const spread = (Math.max(...calibrations) - Math.min(...calibrations)) / median(calibrations)
  printRows('the house', [
    { what: 'cold sign-in page over the wire', figure: signIn / 1000, unit: 'KB', most: 200 },
    { what: 'Find with its worker over the wire', figure: find / 1000, unit: 'KB', most: 500 },
    { what: 'Find from nothing to its first advice', figure: opens, unit: 'ms' },
    ...ratio(`list of ${LISTED} jobs, p95, to a bare page SELECT`, 'list', 'bareList', 5),
    ...ratio('list searched, p95, to a bare page SELECT', 'search', 'bareList'),
    ...ratio(`accepted event, ${SENDERS} senders, p95, to INSERT and COMMIT`, 'append', 'bareAppend', 3),
    ...ratio(`append to a job of ${LONG} events, to a fresh one`, 'long', 'fresh', 2),
    { what: `job of ${LONG} events read whole`, figure: median(rounds.map((r) => r.opens)), unit: 'ms', most: 1000 },
    {
      what: 'longest wait of the server’s loop in any round',
      figure: Math.max(...rounds.map((r) => r.delay)),
      unit: 'ms',
      most: 50,
    },
    { what: 'spread of the calibration loop', figure: 100 * spread, unit: '%' },
    { what: 'load of the machine, one minute', figure: loadavg()[0], unit: '' },
  ])
  if (spread > BUSY_FROM) console.log('  machine busy: the ratios of this run say little')
} finally {
  await owner.end()
  await server.stop()
  cluster.stop()
}
