import { expect, test, type Page, type Route } from '@playwright/test'
import {
  begin,
  answer,
  choose,
  enter,
  history,
  IVO,
  jobEvent,
  JOSS,
  makeSafe,
  MARA,
  openCall,
  openPlace,
  readings,
  settled,
  signIn,
  testTitle,
  trouble,
  type Place,
  jobOf,
} from './place'

let place: Place
test.beforeAll(async () => {
  place = await openPlace('nothing-lost')
})
test.afterAll(() => place.close())

const KINKED = 'Cold hose: look whether it is kinked'
const OPEN = 'Cold tap: look whether it is open'
const look = async (page: Page, title: string, word: 'yes' | 'no') => {
  await choose(page, title)
  await makeSafe(page)
  await answer(page, word).click()
}
/** Readings that the server has of a job, by who entered them. */
const kept = async (job: string) =>
  (
    await place.sql(
      `SELECT e.payload->>'test' AS test, u.name AS by FROM job_events e JOIN users u ON u.id = e.user_id
       WHERE e.job_id = $1 AND e.payload->>'type' = 'reading' ORDER BY e.seq`,
      [job],
    )
  ).map((r) => `${String(r.test)} by ${String(r.by)}`)
/** Ends every session as if its time had run out; a process believes one for three seconds. */
async function endSessions(): Promise<void> {
  await place.sql('DELETE FROM sessions')
  await new Promise((go) => setTimeout(go, 3200))
}
const waits = (page: Page) => readings(page).filter({ hasText: 'waits to be sent' })
const ready = (page: Page) => page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined))
const goToJobs = async (page: Page) => {
  await page.getByRole('link', { name: 'All jobs' }).click()
  await expect(page.getByRole('heading', { name: 'Jobs' })).toBeVisible()
}

test('a reading on its way when another job is opened belongs to the job where it was taken', async ({ page }) => {
  await signIn(page, place)
  const other = await openCall(page, place, 'It hums')
  const job = await openCall(page, place, 'No water comes in')
  let go: () => unknown = () => undefined
  const held = new Promise<undefined>((resolve) => (go = () => resolve(undefined)))
  await page.route('**/events', async (route) => {
    await held
    await route.continue()
  })
  await look(page, KINKED, 'no')
  await expect(waits(page)).toHaveCount(1)
  await goToJobs(page)
  await page
    .getByRole('link', { name: /It hums/ })
    .first()
    .click()
  await settled(page)
  go()
  await expect.poll(() => kept(job)).toHaveLength(1)
  await page.waitForTimeout(500)
  await expect(readings(page)).toHaveCount(0)
  expect(await kept(other)).toEqual([])
})

test('an entry that the sheet no longer knows says so, and those after it are judged', async ({ page }) => {
  await signIn(page, place)
  const job = await openCall(page, place, 'No water comes in')
  await expect.poll(async () => (await place.sql('SELECT 1 FROM jobs WHERE id = $1', [job])).length).toBe(1)
  await place.sql(
    `INSERT INTO job_events (id, job_id, user_id, version, at, device, payload, seq)
     SELECT gen_random_uuid(), id, opened_by, 1, now(), 'old', '{"is":"reading","test":"a.test.of.old","text":"12"}', seq + 1 FROM jobs WHERE id = $1`,
    [job],
  )
  await place.sql(
    `UPDATE jobs SET seq = seq + 1, standing = jsonb_set(standing, '{seq}', to_jsonb(seq + 1)) WHERE id = $1`,
    [job],
  )
  await page.reload()
  await settled(page)
  await look(page, KINKED, 'no')
  await expect(readings(page)).toHaveCount(2)
  await settled(page)
  await expect(readings(page).first()).toContainText('As it should be')
  await expect(readings(page).last()).toContainText('Not on this sheet')
})

test('whatever the wire or the server says of a whole request, the reading waits, and goes when it can', async ({
  page,
}) => {
  await signIn(page, place)
  const job = await openCall(page, place, 'No water comes in')
  await expect.poll(async () => (await place.sql('SELECT 1 FROM jobs WHERE id = $1', [job])).length).toBe(1)
  const html = { contentType: 'text/html', body: '<h1>Blocked by the proxy</h1>' }
  const json = (code: string) => ({
    contentType: 'application/json',
    body: JSON.stringify({ error: { code, message: 'No.' } }),
  })
  const ways: ((route: Route) => Promise<void>)[] = [
    (r) => r.fulfill({ status: 403, ...html }),
    (r) => r.fulfill({ status: 413, ...html }),
    (r) => r.fulfill({ status: 429, ...json('slow-down') }),
    (r) => r.fulfill({ status: 404, ...json('not-found') }),
    (r) => r.fulfill({ status: 200, ...html }),
    (r) => r.fulfill({ status: 502, ...html }),
    (r) => r.abort(),
  ]
  let taken = 0
  for (const way of ways) {
    await page.route('**/events', way)
    await look(page, taken % 2 ? OPEN : KINKED, taken % 2 ? 'yes' : 'no')
    taken++
    await expect(readings(page)).toHaveCount(taken)
    await expect(trouble(page)).toBeVisible()
    await expect(waits(page)).toHaveCount(1)
    await page.unroute('**/events')
    await expect.poll(async () => (await kept(job)).length).toBe(taken)
    await expect(waits(page)).toHaveCount(0)
    await settled(page)
  }
})

test('the job is closed by somebody else meanwhile: what was read before counts as late, what comes after stays with its reason', async ({
  page,
}) => {
  await signIn(page, place)
  const job = await openCall(page, place, 'No water comes in')
  await expect.poll(async () => (await place.sql('SELECT 1 FROM jobs WHERE id = $1', [job])).length).toBe(1)
  await page.route('**/events', (r) => r.abort())
  // Without news: the page still takes the job to be open.
  await page.route('**/api/news', (r) => r.abort())
  await page.route(`**/api/jobs/${job}*`, (r) => r.abort())
  const close = jobEvent({ type: 'closed', repair: '', text: 'by the desk' })
  await page.request.post(`${place.url}/api/jobs/${job}/events`, { data: { events: [close] } })
  await look(page, KINKED, 'no')
  await expect(waits(page)).toHaveCount(1)
  await page.unrouteAll()
  await expect.poll(() => kept(job)).toHaveLength(1)
  await expect(page.getByRole('region', { name: 'Closed' })).toBeVisible()
  await expect(readings(page).first()).toContainText('Entered before the job was closed')
  // A stale page that answers after the closing: refused, kept with its reason, discarded by its person alone.
  await page.evaluate(
    async ({ job, event }) => {
      const db = await new Promise<IDBDatabase>((resolve, reject) => {
        const open = indexedDB.open('duckweed')
        open.onsuccess = () => resolve(open.result)
        open.onerror = () => reject(open.error as Error)
      })
      const person = (JSON.parse(localStorage.getItem('duckweed:person')!) as { id: string }).id
      const row = {
        id: event.id,
        event,
        state: 'waiting',
        code: '',
        message: '',
        person,
        personName: 'Mara E.',
        job,
        ordinal: 900,
      }
      await new Promise(
        (resolve) => (db.transaction('outbox', 'readwrite').objectStore('outbox').add(row).onsuccess = resolve),
      )
      db.close()
    },
    { job, event: jobEvent({ type: 'reading', test: 'tub.filling', text: 'no' }, { baseSeq: 999 }) },
  )
  await page.reload()
  const refused = page.getByRole('region', { name: 'Entries that were not taken' })
  await expect(refused).toContainText('This job is closed')
  await page.getByRole('button', { name: 'Reopen' }).click()
  await refused.getByRole('button', { name: 'Send again' }).click()
  await expect.poll(() => kept(job)).toHaveLength(2)
  await expect(refused).toHaveCount(0)
})

test('two tabs enter without a connection: both entries are kept, and both tabs show both', async ({
  page,
  context,
}) => {
  await signIn(page, place)
  const job = await openCall(page, place, 'No water comes in')
  const second = await context.newPage()
  await second.goto(`${place.url}/jobs/${job}`)
  await settled(second)
  await place.serverAway()
  await look(page, KINKED, 'no')
  await look(second, OPEN, 'yes')
  for (const tab of [page, second]) await expect(waits(tab)).toHaveCount(2)
  await place.serverBack()
  await expect.poll(() => kept(job)).toHaveLength(2)
  for (const tab of [page, second]) {
    await expect(waits(tab)).toHaveCount(0)
    await expect(readings(tab)).toHaveCount(2)
  }
})

test('entries belong to the person who made them, whoever signs in on the device', async ({ page }) => {
  await signIn(page, place)
  const job = await openCall(page, place, 'No water comes in')
  await expect.poll(async () => (await place.sql('SELECT 1 FROM jobs WHERE id = $1', [job])).length).toBe(1)
  await page.route('**/events', (r) => r.abort())
  await look(page, KINKED, 'no')
  await expect(waits(page)).toHaveCount(1)
  // The session ends under the page.
  await endSessions()
  await page.unroute('**/events')
  for (const [who, sees] of [
    [JOSS, true],
    [IVO, false],
  ] as const) {
    await page.goto(`${place.url}/jobs/${job}`)
    await expect(page.getByRole('button', { name: 'Sign in' })).toBeVisible()
    await page.getByLabel('E-mail').fill(who.email)
    await page.getByLabel('Password').fill(who.password)
    await page.getByRole('button', { name: 'Sign in' }).click()
    await expect(page.getByRole('region', { name: 'Notices' })).toContainText('Mara E. (1)')
    if (sees) {
      await settled(page)
      await expect(readings(page)).toHaveCount(0)
    } else {
      await expect(page.getByRole('heading', { name: 'There is no such job' })).toBeVisible()
      await expect(page.getByText('Orrisk TL-40')).toHaveCount(0)
    }
    await page.waitForTimeout(1500)
    expect(await kept(job)).toEqual([])
    await endSessions()
  }
  await page.goto(`${place.url}/jobs/${job}`)
  await page.getByLabel('E-mail').fill(MARA.email)
  await page.getByLabel('Password').fill(MARA.password)
  await page.getByRole('button', { name: 'Sign in' }).click()
  await expect.poll(() => kept(job)).toEqual(['cold-hose.look by Mara E.'])
  await settled(page)
  await expect(readings(page)).toHaveCount(1)
})

test('signing out with entries waiting says whose they are, keeps them and erases the rest', async ({ page }) => {
  await signIn(page, place)
  const job = await openCall(page, place, 'No water comes in')
  await expect.poll(async () => (await place.sql('SELECT 1 FROM jobs WHERE id = $1', [job])).length).toBe(1)
  await page.route('**/events', (r) => r.abort())
  await look(page, KINKED, 'no')
  await expect(waits(page)).toHaveCount(1)
  await goToJobs(page)
  await page.getByRole('link', { name: 'Me', exact: true }).click()
  await page.getByRole('button', { name: 'Sign out' }).click()
  await expect(page.getByRole('alert')).toContainText('1 entry of yours')
  await page.getByRole('button', { name: 'Sign out all the same' }).click()
  await expect(page.getByRole('button', { name: 'Sign in' })).toBeVisible()
  const left = await page.evaluate(async () => {
    const db = await new Promise<IDBDatabase>((resolve) => {
      const open = indexedDB.open('duckweed')
      open.onsuccess = () => resolve(open.result)
    })
    const count = (name: string) =>
      new Promise<number>((resolve) => {
        const asked = db.transaction(name).objectStore(name).count()
        asked.onsuccess = () => resolve(asked.result)
      })
    const out: Record<string, number> = {}
    for (const name of db.objectStoreNames) out[name] = await count(name)
    return out
  })
  expect(left).toEqual({ drafts: 0, events: 0, jobs: 0, lists: 0, outbox: 1, photos: 0, predictions: 0, sheets: 0 })
  await page.unroute('**/events')
  await signIn(page, place)
  await expect.poll(() => kept(job)).toHaveLength(1)
})

test('a call begun without a connection is carried on, left, come back to and reloaded, and arrives whole', async ({
  page,
}) => {
  await signIn(page, place)
  await openCall(page, place, 'No water comes in')
  await ready(page)
  await place.serverAway()
  await goToJobs(page)
  await expect(trouble(page)).toBeVisible()
  await page.getByRole('button', { name: /New call/ }).click()
  await page.getByRole('button', { name: /laundry left/ }).click()
  await page.getByRole('button', { name: 'It hums' }).click()
  await begin(page)
  await settled(page)
  const job = jobOf(page)
  await look(page, KINKED, 'no')
  await expect(waits(page)).toHaveCount(1)
  await settled(page)
  await goToJobs(page)
  await page.goBack()
  await settled(page)
  await expect(page.getByText('cannot be run')).toHaveCount(0)
  await expect(readings(page)).toHaveCount(1)
  await choose(page, 'Ohms of the cold valve')
  await makeSafe(page)
  await page.getByLabel('Reading', { exact: true }).fill('81')
  await page.reload()
  await settled(page)
  await expect(readings(page)).toHaveCount(1)
  await place.serverBack()
  await expect.poll(() => kept(job)).toHaveLength(1)
  await expect(waits(page)).toHaveCount(0)
  const [row] = await place.sql('SELECT revision, seq FROM jobs WHERE id = $1', [job])
  expect(row!.revision).toMatch(/^[0-9a-f]{64}$/)
})

test('a half-typed value is there again after leaving and after a reload', async ({ page }) => {
  await signIn(page, place)
  const job = await openCall(page, place, 'No water comes in')
  await choose(page, 'Ohms of the cold valve')
  await makeSafe(page)
  await page.getByLabel('Reading', { exact: true }).fill('81')
  await page.waitForTimeout(300)
  await goToJobs(page)
  await page.goBack()
  await settled(page)
  await page.reload()
  await settled(page)
  const stands = async () => {
    await expect(testTitle(page)).toHaveText('Ohms of the cold valve')
    await expect(page.getByLabel('Reading', { exact: true })).toHaveValue('81')
  }
  await stands()
  // What is typed for one test stands in the field of no other.
  await choose(page, 'Ohms of the hot valve')
  await expect(page.getByLabel('Reading', { exact: true })).toHaveValue('')
  await choose(page, 'Ohms of the cold valve')
  await page.getByLabel('Reading', { exact: true }).fill('81')
  await page.waitForTimeout(300)
  await page.reload()
  await settled(page)
  await stands()
  // Whoever comes back comes back to the step where they were.
  const steps = page.getByRole('navigation', { name: 'Steps of this job' })
  await steps.getByRole('link', { name: 'Wiring' }).click()
  await goToJobs(page)
  await page.locator(`a[href="/jobs/${job}"]`).click()
  await expect(steps.getByRole('link', { name: 'Wiring' })).toHaveAttribute('aria-current', 'step')
  // Answered by a colleague meanwhile it is asked no more.
  await page.goto(`${place.url}/me`)
  await page.request.post(`${place.url}/api/jobs/${job}/events`, {
    data: { events: [jobEvent({ type: 'reading', test: 'cold-valve.ohms', text: '812' })] },
  })
  await page.goto(`${place.url}/jobs/${job}/find`)
  await settled(page)
  await expect(readings(page)).toHaveCount(1)
  await expect(testTitle(page)).not.toHaveText('Ohms of the cold valve')
})

test('the first start after installing works without a connection', async ({ page, context }) => {
  await signIn(page, place)
  await ready(page)
  await page.close()
  await place.serverAway()
  const fresh = await context.newPage()
  await fresh.goto(`${place.url}/jobs`)
  await expect(fresh.getByRole('heading', { name: 'Jobs' })).toBeVisible()
  await expect(trouble(fresh)).toBeVisible()
  await fresh.goto(`${place.url}/machines`)
  await expect(fresh.getByRole('heading', { name: 'Machines' })).toBeVisible()
  await place.serverBack()
})

test('two people on two processes see each other’s entries within a second, and nothing is lost when both are killed', async ({
  page,
  browser,
}) => {
  const otherUrl = await place.second()
  const other = await (await browser.newContext()).newPage()
  await signIn(page, place)
  const job = await openCall(page, place, 'No water comes in')
  await expect.poll(async () => (await place.sql('SELECT 1 FROM jobs WHERE id = $1', [job])).length).toBe(1)
  await signIn(other, { ...place, url: otherUrl }, JOSS)
  await other.goto(`${otherUrl}/jobs/${job}`)
  await settled(other)
  await look(page, KINKED, 'no')
  const since = Date.now()
  await expect(readings(other)).toHaveCount(1, { timeout: 15_000 })
  process.stdout.write(`news to another process: ${Date.now() - since} ms\n`)
  await expect(readings(other).first()).toContainText('Mara E.')
  // The first process dies, then the database: each enters something meanwhile.
  await place.crash()
  place.databaseAway()
  await look(other, OPEN, 'yes')
  await look(page, OPEN, 'yes')
  for (const p of [page, other]) await expect(waits(p)).toHaveCount(1)
  place.databaseBack()
  await expect.poll(async () => (await kept(job)).length).toBe(3)
  for (const p of [page, other]) {
    await expect(waits(p)).toHaveCount(0)
    await expect(readings(p)).toHaveCount(3)
  }
  const seqs = await place.sql('SELECT seq FROM job_events WHERE job_id = $1 ORDER BY seq', [job])
  expect(seqs.map((r) => r.seq)).toEqual(seqs.map((_, i) => i + 1))
  await other.context().close()
})

test('a newer database on the device with an old tab open: the old tab says so, and nothing is lost', async ({
  page,
  context,
}) => {
  await signIn(page, place)
  const job = await openCall(page, place, 'No water comes in')
  await page.route('**/events', (r) => r.abort())
  await look(page, KINKED, 'no')
  await expect(waits(page)).toHaveCount(1)
  const newer = await context.newPage()
  await newer.goto(`${place.url}/mark.svg`)
  const outbox = await newer.evaluate(
    () =>
      new Promise<number>((resolve, reject) => {
        const open = indexedDB.open('duckweed', 1000)
        open.onblocked = () => reject(new Error('blocked'))
        open.onerror = () => reject(open.error as Error)
        open.onsuccess = () => {
          const asked = open.result.transaction('outbox').objectStore('outbox').count()
          asked.onsuccess = () => resolve(asked.result)
        }
      }),
  )
  expect(outbox).toBe(1)
  await expect(page.getByRole('region', { name: 'Notices' })).toContainText('renewed in another tab')
  expect(await kept(job)).toEqual([])
})

test('a device that keeps nothing says so before anything is lost', async ({ page }) => {
  await page.addInitScript(() => {
    Object.defineProperty(window, 'indexedDB', { value: undefined })
  })
  await signIn(page, place)
  await expect(page.getByRole('region', { name: 'Notices' })).toContainText('keeps nothing on this device')
  await page.goto(`${place.url}/jobs/new`)
  await page.getByRole('button', { name: /laundry left/ }).click()
  await page.getByRole('button', { name: 'It hums' }).click()
  await page.getByRole('button', { name: 'Begin the job' }).click()
  await expect(page.getByRole('alert').first()).toBeVisible()
  expect(page.url()).toContain('/jobs/new')
})

test('a device that is full says so, enters nothing, and what was typed stays where it was typed', async ({ page }) => {
  await signIn(page, place)
  const job = await openCall(page, place, 'No water comes in')
  await choose(page, 'Ohms of the cold valve')
  await makeSafe(page)
  await page.evaluate(() => {
    const { add } = IDBObjectStore.prototype
    IDBObjectStore.prototype.add = function (...args) {
      if (this.name === 'outbox') throw new DOMException('full', 'QuotaExceededError')
      return add.apply(this, args)
    }
  })
  await enter(page, '812')
  await expect(page.getByRole('region', { name: 'Notices' })).toContainText('could not be kept on this device')
  await expect(page.getByLabel('Reading', { exact: true })).toHaveValue('812')
  await expect(readings(page)).toHaveCount(0)
  expect(await kept(job)).toEqual([])
})

test('a device clock that is a day fast is told, and the job can still be closed and reopened', async ({ browser }) => {
  const context = await browser.newContext()
  await context.addInitScript(() => {
    const real = Date
    const day = 86_400_000
    class Fast extends real {
      constructor(...args: [] | [number | string]) {
        if (args.length) super(args[0])
        else super(real.now() + day)
      }
      static now() {
        return real.now() + day
      }
    }
    window.Date = Fast as DateConstructor
  })
  const page = await context.newPage()
  await signIn(page, place)
  const job = await openCall(page, place, 'No water comes in')
  await expect(page.getByRole('region', { name: 'Notices' })).toContainText('1 day fast')
  await page.request.post(`${place.url}/api/jobs/${job}/events`, {
    data: { events: [jobEvent({ type: 'closed', repair: '', text: '' })] },
  })
  await page.getByRole('button', { name: 'Reopen' }).click()
  await expect(page.getByRole('region', { name: 'Closed' })).toHaveCount(0)
  await expect
    .poll(async () => (await place.sql('SELECT closed_at FROM jobs WHERE id = $1', [job]))[0]!.closed_at)
    .toBeNull()
  await expect(history(page)).toBeVisible()
  await context.close()
})
