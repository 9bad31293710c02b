import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { expect, type APIRequestContext, type Locator, type Page } from '@playwright/test'
import { v7 as uuidv7 } from 'uuid'
import { EVENT_VERSION } from '../../core/job'
import pg from 'pg'
import { freePort } from '../../scripts/setup/cluster.mjs'
import { serve } from '../../scripts/setup/serve.mjs'
import { preparedCluster, type World } from './prepared'

const root = join(import.meta.dirname, '../..')

export const MARA = { email: 'mara@ebb.example', password: 'low-tide-4-pumps' }
export const JOSS = { email: 'joss@ebb.example', password: 'low-tide-4-pumps' }
export const PIM = { email: 'pim@ebb.example', password: 'low-tide-4-pumps' }
export const WENNA = { email: 'desk@ebb.example', password: 'low-tide-4-pumps' }
export const IVO = { email: 'ivo@lantern.example', password: 'lamp-post-7-keys' }

/** A database and servers of this test file alone. */
export interface Place {
  url: string
  /** Starts a second process of the application on the same database. @returns its address */
  second(): Promise<string>
  /** Ends the first process as a crash would, and starts it again. */
  crash(): Promise<void>
  restart(): Promise<void>
  /** The application is gone, as behind a dead connection, and back at the same address. */
  serverAway(): Promise<void>
  serverBack(): Promise<void>
  databaseAway(): void
  databaseBack(): void
  /** The process that serves, by its number. */
  pid(): number
  /** The address of the database, as its owner. */
  owner: string
  /** Asks the database as its owner. */
  sql(text: string, values?: unknown[]): Promise<Record<string, unknown>[]>
  close(): Promise<void>
}

/** @param world how much of the demo world */
export async function openPlace(name: string, { world = 'bare' as World } = {}): Promise<Place> {
  const { cluster, databaseUrl } = await preparedCluster(`browser-${name}`, { world })
  const port = await freePort()
  const start = () => serve(root, { port, databaseUrl })
  let server = await start()
  const others: (typeof server)[] = []
  return {
    url: `http://127.0.0.1:${port}`,
    pid: () => server.child.pid!,
    owner: cluster.url,
    second: async () => {
      const port = await freePort()
      others.push(await serve(root, { port, databaseUrl }))
      return `http://127.0.0.1:${port}`
    },
    crash: async () => {
      server.child.kill('SIGKILL')
      await server.end
      server = await start()
    },
    restart: async () => {
      await server.stop()
      server = await start()
    },
    serverAway: async () => void (await server.stop()),
    serverBack: async () => void (server = await start()),
    sql: async (text, values) => {
      const owner = new pg.Client({ connectionString: cluster.url })
      await owner.connect()
      try {
        return (await owner.query(text, values)).rows as Record<string, unknown>[]
      } finally {
        await owner.end()
      }
    },
    databaseAway: () => void cluster.pause(),
    databaseBack: () => void cluster.resume(),
    close: async () => {
      await Promise.all([server, ...others].map((s) => s.stop()))
      cluster.stop()
    },
  }
}

let made = 0
/** An event as a device would send it. */
export const jobEvent = (payload: object, more: object = {}) => ({
  id: uuidv7(),
  version: EVENT_VERSION,
  at: new Date().toISOString(),
  device: 'test',
  ordinal: ++made,
  baseSeq: 2 ** 31 - 1,
  payload,
  ...more,
})

/** Longest wait on a slow machine, ms; said where pages are also used outside of tests. */
const LONGEST = 90_000

/** Whoever asks without a page: somebody who has signed in, or with `null` nobody. */
export async function askAs(
  { request }: { request: { newContext(): Promise<APIRequestContext> } },
  { url }: Pick<Place, 'url'>,
  who: typeof MARA | null = MARA,
): Promise<APIRequestContext> {
  const own = await request.newContext()
  if (who) expect((await own.post(`${url}/api/session`, { data: who })).status()).toBe(200)
  return own
}

/** What a process holds, bytes. */
export const heldBy = (pid: number): number =>
  Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${pid}/status`, 'utf8'))![1]) * 1024

export async function signIn(page: Page, place: Pick<Place, 'url'>, who = MARA): Promise<void> {
  await page.goto(`${place.url}/sign-in`)
  await page.getByLabel('E-mail').fill(who.email)
  await page.getByLabel('Password').fill(who.password)
  await page.getByRole('button', { name: 'Sign in' }).click()
  await expect(page.getByRole('heading', { name: 'Today' })).toBeVisible({ timeout: LONGEST })
}

/** Begins the call that has been told, and goes on from its page to finding. */
export async function begin(page: Page): Promise<void> {
  await page.getByRole('button', { name: 'Begin the job' }).click()
  await page.getByRole('button', { name: 'Go on: find the cause' }).click()
}

/** Opens a call and waits for the settled advice. */
export async function openCall(page: Page, place: Place, ...complaints: string[]): Promise<string> {
  await page.goto(`${place.url}/jobs/new`)
  await page.getByRole('button', { name: /laundry left/ }).click()
  for (const c of complaints) await page.getByRole('button', { name: c }).click()
  await begin(page)
  await settled(page)
  return jobOf(page)
}

/** Waits until the advice answers what was asked last. */
export const settled = (page: Page) =>
  expect(page.getByRole('region', { name: 'Advice' })).toHaveAttribute('aria-busy', 'false', { timeout: LONGEST })

/** The job that a page shows. */
export const jobOf = (page: Page): string => /\/jobs\/([0-9a-f-]{36})/.exec(page.url())![1]!
export const history = (page: Page) => page.getByRole('region', { name: 'Readings so far' })
export const readings = (page: Page) => history(page).getByRole('listitem')
export const suspects = (page: Page) => page.getByRole('region', { name: 'Suspects' })
export const leading = (page: Page) => suspects(page).getByRole('listitem').first()
/** Every row of the suspects with how likely it is said to be. */
export const standing = (page: Page) =>
  suspects(page)
    .getByRole('listitem')
    .evaluateAll((rows) =>
      rows.map((r) => `${r.textContent} ${r.querySelector('[role=meter]')?.getAttribute('aria-valuenow')}`).join('\n'),
    )
export const cause = (page: Page) => page.getByRole('region', { name: 'The cause' })
/**
 * Whether the cause stands there. What is clear only on the second thought is offered, and does not push the question
 * aside: here the offer is taken.
 */
export async function atCause(page: Page): Promise<boolean> {
  const clear = page.getByRole('button', { name: /^Clear enough now/ })
  if (await clear.count()) {
    await clear.click()
    await settled(page)
  }
  return (await cause(page).count()) > 0
}
/** Repairs that are near, the nearest first. */
export const remedies = (page: Page) => cause(page).getByRole('list', { name: 'Nearest repairs' }).getByRole('listitem')
export const testCard = (page: Page) => page.getByRole('region', { name: /^Test: / })
export const testTitle = (page: Page) => testCard(page).getByRole('heading', { level: 2 })
/** What keeps entries from being sent, or a list from being fresh. */
export const trouble = (page: Page) => page.getByRole('status', { name: 'Connection' })
/** A part in the picture; its name says its state. */
export const part = (page: Page, name: string) => page.getByRole('button', { name: new RegExp(`^${name}: `) })
/** The button of a yes, a no, or "it never came to that". */
export const answer = (page: Page, word: string) =>
  testCard(page).getByRole('button', { name: { yes: /^Yes/, no: /^No( |$)/ }[word] ?? /never came/ })

/** Asks that the act of the card and the line that says how stand on the screen as it is, one above the other. */
export async function expectAtHand(page: Page): Promise<void> {
  const how = testCard(page).getByRole('note', { name: 'How to take it' })
  const act = page
    .getByRole('form', { name: 'Enter what it shows' })
    .or(page.getByRole('region', { name: 'Make safe' }))
    .getByRole('button')
    .first()
  const [said, done] = [(await how.boundingBox())!, (await act.boundingBox())!]
  expect(said.y, 'the line that says how').toBeGreaterThanOrEqual(0)
  const { height } = page.viewportSize()!
  // The act stands below it, or beside it where the screen is low.
  const beside = said.x + said.width <= done.x
  expect(said.y + said.height, 'the line that says how').toBeLessThanOrEqual(beside ? height : done.y)
  expect(done.y + done.height, 'the act').toBeLessThanOrEqual(height)
}

/** Chooses a test by its exact title. */
export async function choose(page: Page, title: string): Promise<void> {
  const all = page.getByRole('region', { name: 'All tests' })
  await all.getByLabel('Search tests').fill(title)
  await all
    .getByRole('button')
    .filter({ has: page.getByText(title, { exact: true }) })
    .first()
    .click()
  await expect(testTitle(page)).toHaveText(title)
}

/** Takes an option of a list; a list shuts when the page moves under it, and is then opened again. */
export async function pick(box: Locator, name: string | RegExp, { exact = false } = {}): Promise<void> {
  const option = box.page().getByRole('option', { name, exact })
  await expect(async () => {
    if (!(await option.count())) await box.click({ timeout: 5000 })
    await option.click({ timeout: 5000 })
  }).toPass({ timeout: 60_000 })
}

/** Holds a button until it is done and so gone. */
export async function hold(page: Page, button: Locator): Promise<void> {
  await button.hover()
  await page.mouse.down()
  await expect(button).toHaveCount(0)
  await page.mouse.up()
}

/** Does the safety steps that stand in a region, one after another. */
export async function holdIn(region: Locator): Promise<void> {
  // Where nothing has to be done there are none.
  await region
    .getByRole('region', { name: 'Make safe' })
    .waitFor({ timeout: 4000 })
    .catch(() => undefined)
  await holdEach(region)
}

/** Holds whatever safety steps a page asks for, where nothing but they tell when it is done. */
export const holdAll = (page: Page): Promise<void> => holdEach(page.locator('body'))

/** One after another; a step that is said is gone before the next is looked for. */
async function holdEach(region: Locator): Promise<void> {
  const next = region.getByRole('region', { name: 'Make safe' }).getByRole('button', { name: /^Done: / })
  while (await next.count()) {
    const step = next.filter({ hasText: (await next.innerText()).split('\n')[0] })
    await hold(region.page(), step)
    await expect(step).toHaveCount(0)
  }
}

/** Confirms the safety steps that the card asks for; returns their titles. */
export async function makeSafe(page: Page): Promise<string[]> {
  const done: string[] = []
  const button = page.getByRole('region', { name: 'Make safe' }).getByRole('button', { name: /^Done: / })
  // One step follows another on the card until the reading may be entered.
  const ready = page.getByRole('form', { name: 'Enter what it shows' })
  for (;;) {
    await expect(ready.or(button).first()).toBeVisible()
    if (await ready.count()) {
      // What has just come is bound to nobody's answer yet.
      await expect(ready).not.toHaveAttribute('aria-disabled')
      break
    }
    const title = /^(Done: .*?)(?:\n|hold|$)/.exec(await button.innerText())![1]!.trim()
    done.push(title)
    const step = button.filter({ hasText: title })
    await hold(page, step)
    await expect(step).toHaveCount(0)
  }
  return done
}

export async function enter(page: Page, reading: string): Promise<void> {
  await page.getByLabel('Reading', { exact: true }).fill(reading)
  await page.getByLabel('Reading', { exact: true }).press('Enter')
}
