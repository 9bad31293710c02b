import type { Browser } from '@playwright/test'
import { cause, jobOf, signIn, testCard, type Place } from '../test/browser/place'

/** How much slower the processor is made: a phone in a cellar. */
const SLOWED = 4
const ROUNDS = 3
/** How long somebody talks on after the complaint is picked, ms. */
const TALK = 4000

declare global {
  /** Milliseconds that workers have taken over what they were asked, while the page counted. */
  var workersTook: number
  /** When the watch was started, ms of the page. */
  var watchFrom: number
}

/** What the first advice of a machine takes, ms: the middle of some rounds. */
export interface FirstAdvice {
  /** From the call that is begun to what is likely, on a device that has not seen the machine before. */
  begun: number
  /** A job of it opened by its address, from nothing: the application, the sheet and the advice. */
  opened: number
}

const median = (all: number[]): number => all.sort((a, b) => a - b)[Math.floor(all.length / 2)]!

/**
 * How long a machine takes to its first advice on a phone, with the page slowed four times. Slowing a page does not slow its workers:
 * three times the time that they took to answer is added.
 *
 * @param unit its name
 * @param complaint what is said of it
 */
export async function firstAdvice(
  browser: Browser,
  place: Place,
  unit: string,
  complaint: string,
): Promise<FirstAdvice> {
  const [begun, opened]: [number[], number[]] = [[], []]
  for (let k = 0; k < ROUNDS; k++) {
    const device = await slowDevice(browser)
    const { page } = device
    await signIn(page, place)
    await device.slow()
    await page.goto(`${place.url}/jobs/new`)
    await page.getByRole('button', { name: unit }).first().click()
    await page.getByRole('button', { name: complaint, exact: true }).click()
    // The customer goes on talking.
    await page.waitForTimeout(TALK)
    await device.restart()
    await page.getByRole('button', { name: 'Begin the job' }).click()
    await page.getByRole('region', { name: 'At once' }).waitFor()
    begun.push(await device.took())
    const job = jobOf(page)
    await device.close()
    const other = await slowDevice(browser)
    await signIn(other.page, place)
    await other.slow()
    await other.page.goto(`${place.url}/jobs/${job}/find`, { waitUntil: 'commit' })
    await testCard(other.page).or(cause(other.page)).first().waitFor()
    opened.push(await other.took())
    await other.close()
  }
  return { begun: median(begun), opened: median(opened) }
}

/** A phone that keeps nothing yet, with a watch on its page and its workers. */
async function slowDevice(browser: Browser) {
  const context = await browser.newContext({ viewport: { width: 390, height: 844 }, hasTouch: true })
  const page = await context.newPage()
  await page.addInitScript(() => {
    Object.assign(globalThis, { workersTook: 0, watchFrom: 0 })
    const asked = new Map<Worker, number>()
    const post = Worker.prototype.postMessage as (...all: unknown[]) => void
    Worker.prototype.postMessage = function (this: Worker, ...all: unknown[]) {
      if (!asked.has(this))
        this.addEventListener('message', () => {
          globalThis.workersTook += performance.now() - (asked.get(this) || performance.now())
          asked.set(this, 0)
        })
      if (!asked.get(this)) asked.set(this, performance.now())
      post.apply(this, all)
    }
  })
  return {
    page,
    slow: async () => {
      const session = await context.newCDPSession(page)
      await session.send('Emulation.setCPUThrottlingRate', { rate: SLOWED })
    },
    restart: () => page.evaluate(() => Object.assign(globalThis, { workersTook: 0, watchFrom: performance.now() })),
    took: async () => {
      const { page: own, workers } = await page.evaluate(() => ({
        page: performance.now() - globalThis.watchFrom,
        workers: globalThis.workersTook,
      }))
      return own + (SLOWED - 1) * workers
    },
    close: () => context.close(),
  }
}
