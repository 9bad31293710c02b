import { createServer, request as ask } from 'node:http'
import { expect, test, type Page } from '@playwright/test'
import { freePort } from '../../scripts/setup/cluster.mjs'
import { everyPage } from './every-page'
import {
  choose,
  JOSS,
  makeSafe,
  openCall,
  openPlace,
  pick,
  PIM,
  readings,
  settled,
  signIn,
  standing,
  WENNA,
  type Place,
} from './place'

let place: Place
test.beforeAll(async () => {
  place = await openPlace('places', { world: 'jobs' })
})
test.afterAll(() => place.close())

/** Drafts that this device keeps. Run in the page. */
const halfTyped = () =>
  new Promise<number>((resolve) => {
    const open = indexedDB.open('duckweed')
    open.onsuccess = () => {
      const asked = open.result.transaction('drafts').objectStore('drafts').count()
      asked.onsuccess = () => {
        open.result.close()
        resolve(asked.result)
      }
    }
  })
const jobs = (page: Page) => page.getByRole('list', { name: 'Jobs' }).getByRole('listitem')

test('the list of jobs: every state, sifted, searched by any word, and fresh when somebody else works', async ({
  page,
  browser,
}) => {
  await signIn(page, place)
  await page.getByRole('link', { name: 'Jobs', exact: true }).click()
  await expect(jobs(page)).toHaveCount(12)
  await expect(jobs(page).first()).toContainText('Top-load washer')
  await page.getByRole('radio', { name: 'Jumper in, lead off' }).click()
  await expect(jobs(page)).toHaveCount(1)
  await expect(jobs(page)).toContainText('To put right: jumper across the lid switch')
  await page.getByRole('radio', { name: 'Closed' }).click()
  await expect(jobs(page)).toHaveCount(4)
  await page.getByRole('radio', { name: 'All' }).click()
  await page.getByLabel('Search jobs').fill('street dug')
  await expect(jobs(page)).toHaveCount(1)
  await expect(jobs(page)).toContainText('closed')
  await page.getByLabel('Search jobs').fill('no such words')
  await expect(page.getByRole('heading', { name: 'No job fits' })).toBeVisible()
  await page.getByLabel('Search jobs').fill('')
  await expect(jobs(page)).toHaveCount(12)
  const other = await (await browser.newContext()).newPage()
  await signIn(other, place, JOSS)
  await openCall(other, place, 'It hums')
  await expect(jobs(page)).toHaveCount(13, { timeout: 15_000 })
  await expect(jobs(page).first()).toContainText('Joss E.')
  await other.context().close()
})

test('a demo job opens where it was left and is carried on', async ({ page }) => {
  await signIn(page, place)
  await page.getByRole('link', { name: 'Jobs', exact: true }).click()
  await page.getByRole('link', { name: /Ulldale G-6, six zones/ }).click()
  await settled(page)
  await expect(readings(page).first()).toContainText('Joss E.')
  await expect(page.getByRole('region', { name: /^Test: |The cause/ }).first()).toBeVisible()
})

test('what the server has computed of a machine is used, and missed by nobody: cut off or away, the advice is the same', async ({
  browser,
}) => {
  const said: string[] = []
  let job: string | undefined
  for (const answer of ['whole', 'cut off', 'away'] as const) {
    const context = await browser.newContext()
    const page = await context.newPage()
    const sizes: number[] = []
    await page.route('**/api/revisions/*/predictions/*', async (route) => {
      if (answer === 'away') return route.abort()
      const response = await route.fetch()
      const body = await response.body()
      sizes.push(response.status() === 200 ? body.length : 0)
      return route.fulfill({ response, body: answer === 'whole' ? body : body.subarray(0, body.length / 2) })
    })
    await signIn(page, place)
    if (job) {
      await page.goto(`${place.url}/jobs/${job}/find`)
      await settled(page)
    } else job = await openCall(page, place, 'It hums')
    said.push(await standing(page))
    if (answer !== 'away') expect(sizes[0]).toBeGreaterThan(10_000)
    await context.close()
  }
  expect(new Set(said).size).toBe(1)
})

test('machines: found by any word, made, changed, retired, and taken from a file all or none', async ({ page }) => {
  await signIn(page, place)
  await page.getByRole('link', { name: 'Machines', exact: true }).click()
  await page.getByLabel('Search machines').fill('brindlow d6')
  await expect(page.getByRole('link', { name: /Brindlow D-6, kitchen/ })).toBeVisible()
  await page.getByRole('button', { name: /New machine/ }).click()
  await page.getByLabel('What it is called').fill('Orrisk TL-22, boathouse')
  await page.getByLabel('Customer').fill('Dune Farm')
  await page
    .getByRole('textbox', { name: 'Place' })
    .or(page.getByRole('combobox', { name: 'Place' }))
    .fill('Boathouse')
  await pick(page.getByRole('combobox', { name: 'Sheet' }), /TL-22/)
  await page.getByRole('button', { name: 'Keep this machine' }).click()
  await expect(page.getByRole('heading', { name: 'Orrisk TL-22, boathouse' })).toBeVisible()
  await page.getByRole('button', { name: 'Change' }).click()
  await page.getByLabel('Serial number').fill('TL-4711')
  await page.getByRole('button', { name: 'Keep the changes' }).click()
  await expect(page.getByText('TL-4711')).toBeVisible()
  await page.getByRole('button', { name: 'Retire it' }).click()
  await expect(page.getByText('retired', { exact: true })).toBeVisible()
  await page.getByRole('link', { name: 'Machines', exact: true }).click()
  await page.getByLabel('Search machines').fill('4711')
  await expect(page.getByRole('heading', { name: 'No machine fits' })).toBeVisible()
  await page.getByLabel('retired ones too').check()
  await expect(page.getByRole('link', { name: /boathouse/ })).toBeVisible()
  await page.getByLabel('Search machines').fill('4711')
  await page.getByRole('button', { name: 'Rename the customer Dune Farm' }).click()
  await page.getByLabel('Name of the customer').fill('Quay Bakery')
  await page.getByRole('button', { name: 'Keep', exact: true }).click()
  await expect(page.getByRole('alert')).toBeVisible()
  await page.getByLabel('Name of the customer').fill('Dune Farm, north')
  await page.getByRole('button', { name: 'Keep', exact: true }).click()
  await expect(page.getByRole('region', { name: 'Dune Farm, north' })).toBeVisible()
  await page.getByRole('button', { name: 'From a file' }).click()
  const file = (lines: string[]) => ({
    name: 'machines.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from(lines.join('\n')),
  })
  const head = 'title;serial;sheet;customer;site'
  await page
    .getByLabel('Choose the file')
    .setInputFiles(
      file([head, 'Left;1;orrisk-tl40;Dune Farm;Shed', 'Right;2;no-such-sheet;Dune Farm;Shed', ';3;orrisk-tl40;;Shed']),
    )
  await expect(page.getByText('3 things are wrong')).toBeVisible()
  await expect(page.getByRole('row', { name: /no-such-sheet/ })).toContainText('No sheet is called no-such-sheet')
  await expect(page.getByRole('button', { name: /Take all/ })).toBeDisabled()
  await page
    .getByLabel('Choose the file')
    .setInputFiles(
      file(
        [head, 'Left;1;orrisk-tl40;Dune Farm;Shed', 'Right;2;Orrisk TL-22 top-load washer;Dune Farm;Shed'].map(
          (l) => l,
        ),
      ),
    )
  await page.getByRole('button', { name: 'Take all 2 in' }).click()
  await expect(page.getByRole('heading', { name: 'Machines', exact: true })).toBeVisible()
  await page.getByLabel('Search machines').fill('dune shed')
  await expect(page.getByRole('link', { name: /Left|Right/ })).toHaveCount(2)
})

test('who may only look gets no button that writes; a trainee is told at once that live work is not theirs', async ({
  page,
  browser,
}) => {
  await signIn(page, place, WENNA)
  await expect(page.getByRole('button', { name: /New call/ })).toHaveCount(0)
  await page.getByRole('link', { name: 'Jobs', exact: true }).click()
  await page.getByRole('link', { name: /Ulldale G-6, six zones/ }).click()
  await settled(page)
  await expect(page.getByRole('button', { name: /^Undo/ })).toHaveCount(0)
  await expect(page.getByRole('form', { name: 'Enter what it shows' })).toHaveCount(0)
  const trainee = await (await browser.newContext()).newPage()
  await signIn(trainee, place, PIM)
  await openCall(trainee, place, 'No water comes in')
  await choose(trainee, 'Volts at the cold valve')
  await expect(trainee.getByText('Live work is not for a trainee')).toBeVisible()
  await expect(trainee.getByRole('form', { name: 'Enter what it shows' })).toHaveCount(0)
  await trainee.context().close()
})

test('keys act once however long they are held, and not at all when they are switched off', async ({ page }) => {
  await signIn(page, place)
  await openCall(page, place, 'No water comes in')
  await choose(page, 'Cold hose: look whether it is kinked')
  await makeSafe(page)
  await page.evaluate(() => {
    ;(document.activeElement as HTMLElement).blur()
    for (const repeat of [false, true, true, true])
      window.dispatchEvent(new KeyboardEvent('keydown', { key: 'x', repeat, bubbles: true }))
  })
  await expect(readings(page)).toHaveCount(1)
  await page.getByRole('link', { name: 'All jobs' }).click()
  await page.getByRole('link', { name: 'Me', exact: true }).click()
  await page.getByLabel('Single letters act').uncheck()
  await page.getByRole('link', { name: 'Jobs', exact: true }).click()
  await expect(page.getByRole('heading', { name: 'Jobs' })).toBeVisible()
  await page.keyboard.press('n')
  await page.waitForTimeout(300)
  expect(page.url()).not.toContain('new')
})

test('every place has a title of its own, passes the accessibility check and fits a phone; what is not there says so', async ({
  browser,
}) => {
  const page = await (await browser.newContext({ viewport: { width: 390, height: 844 }, hasTouch: true })).newPage()
  await signIn(page, place)
  const titles = await everyPage(page, place, [
    'today',
    'jobs',
    'jobs/new',
    'machines',
    'machines/01900000-0000-7000-8000-000000000101',
    'machines/new',
    'machines/import',
    'tools',
    'tools/heater',
    'tools/zone-survey',
    'tools/timers',
    'tools/convert',
    'me',
    'nowhere/at/all',
  ])
  expect(new Set(titles.slice(0, -1)).size).toBe(13)
  await expect(page.getByRole('heading', { name: 'There is no such page' })).toBeVisible()
  await page.getByRole('button', { name: 'To the jobs' }).click()
  await expect(page.getByRole('heading', { name: 'Jobs' })).toBeVisible()
  await page.context().close()
})

test('a newer program waits while something is half typed, and is loaded when nothing is', async ({ browser }) => {
  // Before the application stands a door that hands out a newer worker when told to.
  let newer = false
  const door = createServer((asked, answer) => {
    const onward = ask(
      place.url + asked.url!,
      { method: asked.method, headers: { ...asked.headers, 'accept-encoding': 'identity' } },
      (from) => {
        if (asked.url === '/sw.js' && newer) {
          let text = ''
          from.on('data', (piece: Buffer) => (text += piece.toString()))
          from.on('end', () =>
            answer
              .writeHead(200, { 'content-type': 'text/javascript', 'cache-control': 'no-store' })
              .end(`${text}\n// newer`),
          )
        } else {
          answer.writeHead(from.statusCode!, {
            ...from.headers,
            ...(asked.url === '/sw.js' ? { 'cache-control': 'no-store', etag: '' } : {}),
          })
          from.pipe(answer)
        }
      },
    )
    onward.on('error', () => answer.destroy())
    asked.pipe(onward)
  })
  const port = await freePort()
  await new Promise<void>((resolve) => door.listen(port, '127.0.0.1', resolve))
  const own = { ...place, url: `http://127.0.0.1:${port}` }
  const page = await (await browser.newContext()).newPage()
  await signIn(page, own)
  await openCall(page, own, 'No water comes in')
  await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined))
  await choose(page, 'Ohms of the cold valve')
  await makeSafe(page)
  await page.getByLabel('Reading', { exact: true }).fill('81')
  newer = true
  await page.evaluate(() =>
    navigator.serviceWorker
      .getRegistration()
      .then((r) => r?.update())
      .then(() => undefined),
  )
  const notice = page.getByRole('region', { name: 'Notices' })
  await expect(notice).toContainText('A newer Duckweed is ready')
  await page.evaluate(() => Object.assign(window, { loadedOnce: true }))
  await page.getByRole('link', { name: 'All jobs' }).click()
  await expect(page.getByRole('heading', { name: 'Jobs' })).toBeVisible()
  await page.waitForTimeout(1500)
  expect(await page.evaluate(() => 'loadedOnce' in window)).toBe(true)
  await page.goBack()
  await settled(page)
  await choose(page, 'Ohms of the cold valve')
  await page.getByLabel('Reading', { exact: true }).fill('')
  await expect.poll(() => page.evaluate(halfTyped)).toBe(0)
  await page.getByRole('link', { name: 'All jobs' }).click()
  await expect.poll(() => page.evaluate(() => 'loadedOnce' in window).catch(() => true)).toBe(false)
  await expect(page.getByRole('heading', { name: 'Jobs' })).toBeVisible()
  await page.context().close()
  door.close()
  door.closeAllConnections()
})
