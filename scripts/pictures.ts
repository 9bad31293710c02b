/**
 * Takes the pictures of docs/screenshots from the demo world, in Chromium: `npm run pictures`.
 * Builds what has changed; starts a database and a server of its own.
 */
import { mkdirSync } from 'node:fs'
import { join } from 'node:path'
import { chromium, type Page } from '@playwright/test'
import config from '../playwright.config'
import { callTo } from '../test/browser/machine'
import { ensureBuild } from './setup/build.mjs'
import {
  answer,
  cause,
  choose,
  enter,
  holdAll,
  makeSafe,
  openCall,
  openPlace,
  readings,
  settled,
  signIn,
  testTitle,
  type Place,
} from '../test/browser/place'

const folder = join(import.meta.dirname, '..', 'docs', 'screenshots')
await ensureBuild(join(import.meta.dirname, '..'))
mkdirSync(folder, { recursive: true })
const browser = await chromium.launch(config.use!.launchOptions!)
const place = await openPlace('pictures', { world: 'years' })
const LAPTOP = { width: 1280, height: 800 }
const PHONE = { width: 390, height: 844 }

async function shoot(page: Page, name: string): Promise<void> {
  await page.evaluate(() => window.scrollTo(0, 0))
  // The lines of the machine come after what is to be done.
  await page.waitForFunction(() => {
    const machine = document.querySelector('.find .machine')
    return machine === null || machine.querySelector('button') !== null
  })
  await page.waitForTimeout(500)
  await page.screenshot({ path: join(folder, `${name}.png`) })
}
const newPage = async (viewport: typeof LAPTOP) => (await browser.newContext({ viewport })).newPage()

/** Does something that enters a reading, and waits until it stands in the list: the card turns with it. */
async function entering(page: Page, act: () => Promise<void>): Promise<void> {
  const count = await readings(page).count()
  await act()
  await page.waitForFunction((n) => document.querySelectorAll('[aria-label="Readings so far"] li').length > n, count)
  await settled(page)
}

/** What came off a washer: photographed, named, one of it off. */
async function wiring(page: Page, { url }: Place): Promise<void> {
  await page.goto(`${url}/jobs`)
  await page.getByRole('link', { name: /^open .*Orrisk TL-60, overalls/ }).click()
  await page.getByRole('link', { name: 'Wiring' }).click()
  await page.getByRole('region', { name: 'Photos' }).getByRole('img').waitFor()
  await shoot(page, 'wiring')
}

/** A timed output that comes up short, at three settings. */
/** A program that is watched: two minutes in, the cold fill noticed, the hot one late. */
async function run(page: Page, at: Place): Promise<void> {
  await page.clock.install()
  await callTo(page, at, 'tl40', /laundry left/, 'No water comes in')
  await page.getByRole('navigation', { name: 'Steps of this job' }).getByRole('link', { name: 'Run' }).click()
  const start = page.getByRole('region', { name: 'Start a run' })
  await holdAll(page)
  await page.getByText('Running good machines').waitFor({ state: 'detached' })
  await start.getByRole('button', { name: 'It starts now' }).click()
  const now = page.getByRole('button', { name: /Now: / }).first()
  for (const after of [1, 1, 1, 1, 55, 1, 1]) {
    await page.clock.fastForward(after * 1000)
    await now.click()
  }
  await page.clock.fastForward(70_000)
  await page.getByText('Late:').first().waitFor()
  // The clock of this page was set forward for the picture.
  const away = page.getByRole('button', { name: 'Put away' })
  if (await away.count()) await away.click()
  await shoot(page, 'run')
}
async function tool(page: Page, at: Place): Promise<void> {
  await page.goto(`${at.url}/tools/timed-output`)
  for (const [label, text] of [
    ['First: seconds set', '30'],
    ['First: on, measured', '30.2'],
    ['First: volume', '270 mL'],
    ['Second: seconds set', '60'],
    ['Second: on, measured', '60.1'],
    ['Second: volume', '560 mL'],
    ['Third: seconds set', '90'],
    ['Third: on, measured', '89.8'],
    ['Third: volume', '865 mL'],
    ['Flow it should have', '0.7'],
  ] as const)
    await page.getByLabel(label).fill(text)
  await page.getByRole('img', { name: 'Volume over On-time' }).locator('svg').waitFor()
  await shoot(page, 'tools')
}

/** The rooms of the shop. */
async function shop(page: Page, at: Place): Promise<void> {
  await page.goto(`${at.url}/shop/schedule`)
  await page.getByRole('list', { name: 'Visits of Mara E.' }).getByRole('listitem').first().waitFor()
  await page.getByText('What to take along').last().click()
  await page.getByText(/Nothing besides what lies in the van|Together/).waitFor()
  await shoot(page, 'schedule')
  await page.goto(`${at.url}/shop/parts`)
  await page.getByRole('list', { name: 'Parts' }).getByRole('listitem').first().waitFor()
  await shoot(page, 'parts')
  await page.goto(`${at.url}/shop/figures`)
  await page
    .getByRole('img', { name: /^Closed jobs and minutes/ })
    .locator('svg')
    .waitFor()
  await shoot(page, 'figures')
}

/** A call at a washer with a clogged screen, from its first question to its cause. */
async function call(page: Page, at: Place, suffix: string): Promise<void> {
  await page.goto(`${at.url}/jobs/new`)
  await page.getByRole('button', { name: /laundry left/ }).click()
  await page.getByRole('button', { name: 'No water comes in' }).click()
  if (!suffix) await shoot(page, 'new-call')
  await openCall(page, at, 'No water comes in', 'It hums')
  await shoot(page, `find${suffix}`)
  await choose(page, 'Volts at the cold valve')
  if (!suffix) await shoot(page, 'make-safe')
  await makeSafe(page)
  await page.getByLabel('Reading', { exact: true }).fill('118.6')
  if (suffix) {
    await shoot(page, `reading${suffix}`)
    return
  }
  await enter(page, '118.6')
  await settled(page)
  await choose(page, 'Cold inlet screen: look whether it is clogged')
  await makeSafe(page)
  await entering(page, () => answer(page, 'yes').click())
  // Whatever else is asked for looks as it does behind a clogged screen.
  for (let k = 0; k < 8 && !(await cause(page).count()); k++) {
    await makeSafe(page)
    const title = await testTitle(page).innerText()
    const word = answer(page, /is open$|coil hums$/.test(title) ? 'yes' : 'no')
    const could = (await word.count()) > 0
    await entering(page, () => (could ? word : page.getByRole('button', { name: 'Could not take it' })).click())
  }
  await shoot(page, `cause${suffix}`)
}

/** A dead coil in a shower: what could be done, what has to hold, and the report of a job that is closed. */
async function outcome(page: Page, at: Place): Promise<void> {
  await callTo(page, at, 'e7', /E-7, cabin 1/, 'No water comes')
  await choose(page, 'Ohms of the inlet valve')
  await makeSafe(page)
  await enter(page, 'OL')
  await settled(page)
  const steps = page.getByRole('navigation', { name: 'Steps of this job' })
  await steps.getByRole('link', { name: 'Decide' }).click()
  await page.getByRole('list', { name: 'What would change the choice' }).waitFor()
  await shoot(page, 'decide')
  await page.waitForTimeout(700)
  await page.getByRole('button', { name: 'Go on: do this repair' }).click()
  await page.getByRole('button', { name: 'Go on: prove it' }).click()
  const asked = page.getByRole('region', { name: 'What has to hold' })
  await asked.getByRole('button', { name: /^It holds: meter/ }).click()
  await holdAll(page)
  await asked.getByRole('textbox', { name: /^Reading: earth/ }).fill('0.12')
  await asked.getByRole('button', { name: 'Take it' }).first().click()
  await shoot(page, 'prove')
  await page.goto(`${at.url}/jobs`)
  await page.getByRole('radio', { name: 'Closed' }).click()
  await page.getByRole('list', { name: 'Jobs' }).getByRole('link').first().click()
  await steps.getByRole('link', { name: 'Report' }).click()
  await page.getByRole('article', { name: 'What the report says' }).waitFor()
  await shoot(page, 'report')
}

try {
  const page = await newPage(LAPTOP)
  await signIn(page, place)
  await page.getByRole('region', { name: 'Mine, open' }).waitFor()
  await shoot(page, 'today')
  await page.goto(`${place.url}/jobs`)
  await page.getByRole('list', { name: 'Jobs' }).waitFor()
  await shoot(page, 'jobs')
  await page.goto(`${place.url}/machines`)
  await page.getByRole('link', { name: /laundry left/ }).waitFor()
  await shoot(page, 'machines')
  await page.getByRole('link', { name: /laundry left/ }).click()
  await page
    .getByRole('img', { name: /, over the years$/ })
    .locator('svg')
    .waitFor()
  await shoot(page, 'machine')
  await shop(page, place)
  await tool(page, place)
  await call(page, place, '')
  await wiring(page, place)
  await outcome(page, place)
  await run(page, place)
  await page.context().close()

  const phone = await newPage(PHONE)
  await signIn(phone, place)
  await call(phone, place, '-phone')
  await phone.context().close()
} finally {
  await browser.close()
  await place.close()
}
