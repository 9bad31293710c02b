import { execFileSync } from 'node:child_process'
import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { expect, test, type Download, type Page } from '@playwright/test'
import { strFromU8, unzipSync } from 'fflate'
import { v7 as uuidv7 } from 'uuid'
import { freePort, startCluster } from '../../scripts/setup/cluster.mjs'
import { serve } from '../../scripts/setup/serve.mjs'
import { everyPage } from './every-page'
import { jobEvent, JOSS, openPlace, pick, signIn, WENNA, type Place } from './place'

let place: Place
test.beforeAll(async () => {
  place = await openPlace('files', { world: 'jobs' })
})
test.afterAll(() => place.close())

const EBB = '01900000-0000-7000-8000-000000000001'
const download = async (page: Page, act: () => Promise<void>): Promise<Download> =>
  (await Promise.all([page.waitForEvent('download', { timeout: 60_000 }), act()]))[0]
const bytesOf = async (file: Download) => readFileSync((await file.path())!)
const csv = (text: string) => ({ name: 'customers.csv', mimeType: 'text/csv', buffer: Buffer.from(text) })
const zip = (buffer: Buffer) => ({ name: 'job.zip', mimeType: 'application/zip', buffer })

test('all that the shop owns leaves in one file, a job comes back from its own, customers come from a table', async ({
  page,
  browser,
}) => {
  await signIn(page, place)
  await page.goto(`${place.url}/shop/files`)
  const archive = unzipSync(
    await bytesOf(await download(page, () => page.getByRole('link', { name: 'Save the archive' }).click())),
  )
  const [{ events }] = (await place.sql(
    'SELECT count(*)::int AS events FROM job_events e JOIN jobs j ON j.id = e.job_id WHERE j.organisation_id = $1',
    [EBB],
  )) as [{ events: number }]
  expect(events).toBeGreaterThan(100)
  expect(strFromU8(archive['events.jsonl']!).trim().split('\n')).toHaveLength(events)

  const [{ id }] = (await place.sql(
    'SELECT id FROM jobs WHERE organisation_id = $1 AND closed_at IS NOT NULL LIMIT 1',
    [EBB],
  )) as [{ id: string }]
  await page.goto(`${place.url}/jobs/${id}/report`)
  const job = await bytesOf(
    await download(page, () => page.getByRole('button', { name: 'Save the whole job as a file' }).click()),
  )
  await page.goto(`${place.url}/shop/files`)
  const choose = page.getByRole('region', { name: 'A job from a file' }).getByLabel('Choose the file')
  await choose.setInputFiles(zip(job))
  await expect(page.getByText(/are there already: nothing has changed/)).toBeVisible()
  await choose.setInputFiles(zip(job.subarray(0, 900)))
  await expect(page.getByText('This file ends before it is whole.')).toBeVisible()
  await expect(page.getByText('Nothing has been taken.')).toBeVisible()
  await choose.setInputFiles(zip(Buffer.from('a shopping list')))
  await expect(page.getByText('This is no file that Duckweed has written.')).toBeVisible()

  await page.getByRole('button', { name: 'Customers from a file' }).click()
  await expect(page.getByRole('heading', { name: 'Customers from a file' })).toBeVisible()
  const file = page.getByLabel('Choose the file')
  await file.setInputFiles(csv('customer,site\nNew Quay Café,Kitchen\n,Loft\n'))
  await expect(page.getByText('1 thing is wrong in customers.csv.')).toBeVisible()
  await expect(page.getByRole('row', { name: /Loft/ })).toContainText('customer: This is missing.')
  await expect(page.getByRole('button', { name: 'Take all 2 in' })).toBeDisabled()
  await file.setInputFiles(csv('customer;site\nNew Quay Café;Kitchen\nNew Quay Café;"=Loft"\nOld Quay;\n'))
  await expect(page.getByText('2 new customers, 2 new places, 0 there already.')).toBeVisible()
  await page.getByRole('button', { name: 'Take all 3 in' }).click()
  await expect(page.getByRole('heading', { name: 'In and out' })).toBeVisible()
  const saved = await bytesOf(await download(page, () => page.getByRole('button', { name: 'Save customers' }).click()))
  expect(saved.toString()).toContain("New Quay Café,'=Loft\r\nNew Quay Café,Kitchen\r\nOld Quay,\r\n")
  await page.getByRole('button', { name: 'Customers from a file' }).click()
  await expect(page.getByRole('heading', { name: 'Customers from a file' })).toBeVisible()
  await file.setInputFiles({ name: 'again.csv', mimeType: 'text/csv', buffer: saved })
  await expect(page.getByText(/0 new customers, 0 new places, \d+ there already/)).toBeVisible()

  // Who may only look gets tables and nothing else.
  const desk = await (await browser.newContext()).newPage()
  expect((await desk.request.get(`${place.url}/api/archive/stream`)).status()).toBe(401)
  await signIn(desk, place, WENNA)
  await desk.goto(`${place.url}/shop/files`)
  await expect(desk.getByRole('button', { name: 'Save machines' })).toBeVisible()
  await expect(desk.getByRole('link', { name: 'Save the archive' })).toHaveCount(0)
  await expect(desk.getByRole('button', { name: /from a file/ })).toHaveCount(0)
  expect((await desk.request.get(`${place.url}/api/archive/stream`)).status()).toBe(403)
  await desk.context().close()
})

/** Another installation, made of an archive. @returns its address, what was said while it was taken in, and how it ends */
async function installationFrom(archive: string): Promise<{ url: string; said: string; close: () => Promise<void> }> {
  const root = join(import.meta.dirname, '../..')
  const cluster = await startCluster(root, 'browser-files-second', { fresh: true })
  const password = 'of-the-second-one'
  const said = execFileSync(join(root, 'node_modules/.bin/tsx'), ['server/database/prepare.ts', `--from=${archive}`], {
    cwd: root,
    encoding: 'utf8',
    env: { ...process.env, DATABASE_URL: cluster.url, APP_PASSWORD: password },
  })
  const address = new URL(cluster.url)
  address.username = 'duckweed_app'
  address.password = password
  const port = await freePort()
  const server = await serve(root, { port, databaseUrl: address.href })
  const close = async () => {
    await server.stop()
    cluster.stop()
  }
  return { url: `http://127.0.0.1:${port}`, said, close }
}

test('what left comes back in another installation: its people sign in there and find every job as it was', async ({
  page,
  browser,
}) => {
  test.setTimeout(240_000)
  await signIn(page, place)
  await page.goto(`${place.url}/shop/files`)
  const file = await download(page, () => page.getByRole('link', { name: 'Save the archive' }).click())
  const second = await installationFrom((await file.path())!)
  try {
    const [, password] = /mara@ebb\.example\s+(\S+)\s+\(lead\)/.exec(second.said)!
    const there = await (await browser.newContext()).newPage()
    await signIn(there, second, { email: 'mara@ebb.example', password: password! })
    for (const path of ['jobs', 'machines']) {
      const textOf = async (p: Page, url: string) => {
        await p.goto(`${url}/${path}`)
        await expect(p.getByRole('main').getByRole('link').nth(3)).toBeVisible()
        // Since when is counted from now.
        return (await p.getByRole('main').innerText()).replaceAll(/\d+ (min|h|days?) ago/g, '')
      }
      expect(await textOf(there, second.url), path).toBe(await textOf(page, place.url))
    }
    const [{ id }] = (await place.sql(
      'SELECT id FROM jobs WHERE organisation_id = $1 AND closed_at IS NOT NULL ORDER BY seq DESC LIMIT 1',
      [EBB],
    )) as [{ id: string }]
    const report = async (p: Page, url: string) => (await p.request.get(`${url}/api/jobs/${id}`)).json()
    expect(await report(there, second.url)).toEqual(await report(page, place.url))
    await there.context().close()
  } finally {
    await second.close()
  }
})

/** Everything that the databases of a page hold, as text. */
const onDevice = (page: Page): Promise<string> =>
  page.evaluate(async () => {
    const out: unknown[] = []
    for (const { name } of await indexedDB.databases()) {
      const db = await new Promise<IDBDatabase>((resolve, reject) => {
        const opening = indexedDB.open(name!)
        opening.onsuccess = () => resolve(opening.result)
        opening.onerror = () => reject(opening.error!)
      })
      for (const store of db.objectStoreNames)
        out.push(
          await new Promise((resolve, reject) => {
            const all = db.transaction(store).objectStore(store).getAll()
            all.onsuccess = () => resolve(all.result)
            all.onerror = () => reject(all.error!)
          }),
        )
      db.close()
    }
    return JSON.stringify(out)
  })

test('a customer who asks for it is erased: here, in the search, and on a device that was away', async ({
  page,
  browser,
}) => {
  const MARK = 'Quillfeather'
  await signIn(page, place)
  const [unit, job] = [uuidv7(), uuidv7()]
  const fields = {
    id: unit,
    title: 'Washer',
    serial: `S ${MARK}`,
    sheet: 'orrisk-tl40',
    customer: `${MARK} Boats`,
    site: 'Slip',
  }
  expect((await page.request.post(`${place.url}/api/units`, { data: fields })).ok()).toBe(true)
  const events = [
    jobEvent({ type: 'opened', unit, complaints: ['no-fill'], words: `${MARK} said that it hums` }),
    jobEvent({ type: 'note', text: `Ask for ${MARK}` }),
  ]
  const sent = await page.request.post(`${place.url}/api/jobs/${job}/events`, { data: { events } })
  expect(((await sent.json()) as { results: { status: string }[] }).results.map((r) => r.status)).toEqual([
    'accepted',
    'accepted',
  ])

  const away = await (await browser.newContext()).newPage()
  await signIn(away, place, JOSS)
  await away.goto(`${place.url}/jobs/${job}/call`)
  const words = away.getByLabel('In their own words')
  await expect(words).toHaveValue(`${MARK} said that it hums`)
  await expect.poll(() => onDevice(away)).toContain(MARK)
  await away.context().setOffline(true)

  await page.goto(`${place.url}/shop/rules`)
  const persons = page.getByRole('region', { name: "A person's data" })
  const erase = persons.getByRole('button', { name: `Erase ${MARK} Boats` })
  const chooseIt = () => pick(persons.getByRole('combobox', { name: 'Customer' }), `${MARK} Boats`)
  await chooseIt()
  await expect(persons.getByRole('alert')).toContainText('1 job open, 0 visits planned')
  await expect(erase).toBeDisabled()
  const closing = [jobEvent({ type: 'closed', repair: '', text: `${MARK} called it off`, as: 'cancelled' })]
  await page.request.post(`${place.url}/api/jobs/${job}/events`, { data: { events: closing } })
  await page.reload()
  await chooseIt()
  await erase.click({ delay: 1300 })
  await expect(persons.getByText('Erased, with the papers of 1 job.')).toBeVisible()
  await expect(persons.getByRole('row', { name: /A customer/ })).toContainText('Mara E.')
  await page.goto(`${place.url}/find?q=${MARK}`)
  await expect(page.getByRole('heading', { name: /Nothing/ })).toBeVisible()

  await away.context().setOffline(false)
  await expect(away.getByText(MARK)).toHaveCount(0, { timeout: 30_000 })
  await expect(words).toHaveValue('')
  await expect.poll(() => onDevice(away), { timeout: 30_000 }).not.toContain(MARK)
  await away.context().close()
})

test('the rules of the shop are set by whoever leads it, and what would be lost is held for', async ({ page }) => {
  await signIn(page, place)
  await page.goto(`${place.url}/shop/rules`)
  const hour = page.getByLabel('An hour of work, EUR')
  await expect(hour).toHaveValue('60.00')
  await hour.fill('sixty')
  await expect(page.getByText('An amount, as 60 or 60.50.')).toBeVisible()
  await hour.fill('72,5')
  await page.getByLabel('Work ends').fill('07:00')
  await expect(page.getByText('A day ends after it begins.')).toBeVisible()
  await expect(page.getByRole('button', { name: 'Keep these rules' })).toBeDisabled()
  await page.getByLabel('Work ends').fill('16:30')
  await page.getByRole('button', { name: 'Keep these rules' }).click()
  await expect(page.getByText('Kept.')).toBeVisible()
  await pick(page.getByRole('combobox', { name: 'Papers are kept' }), '2 years')
  const hold = page.getByRole('button', { name: /older papers go for good/ })
  await hold.click()
  await page.reload()
  await expect(hour).toHaveValue('72.50')
  await expect(page.getByLabel('Work ends')).toHaveValue('16:30')
  await expect(page.getByRole('combobox', { name: 'Papers are kept' })).toHaveText(/Until somebody asks/)
  await pick(page.getByRole('combobox', { name: 'Papers are kept' }), '2 years')
  await hold.click({ delay: 1300 })
  await expect(page.getByText('Kept.')).toBeVisible()
  await page.reload()
  await expect(page.getByRole('combobox', { name: 'Papers are kept' })).toHaveText(/2 years/)
  await page.setViewportSize({ width: 390, height: 844 })
  await everyPage(page, place, ['shop/files', 'shop/files/customers', 'shop/rules'])
})
