import type { Browser } from '@playwright/test'
import { jobOf, signIn, type Place } from '../test/browser/place'

/** How much slower the processor is made: a phone in a cellar. */
const SLOWED = 4
const ROUNDS = 3
/** How long somebody talks on after the complaint is picked, ms. */
const TALK = 4000

/** Said at the head of a worker: when it was at work, ms since 1970. It answers a question within the event that brought it. */
const WATCH_WORKER = `
  self.busy = []
  let begun
  addEventListener('message', (event) => { begun = performance.timeOrigin + event.timeStamp })
  const post = self.postMessage.bind(self)
  self.postMessage = (...all) => {
    if (begun !== undefined) self.busy.push([begun, performance.timeOrigin + performance.now()])
    begun = undefined
    post(...all)
  };
`

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
    begun.push(await device.took('[aria-label="At once"]'))
    const job = jobOf(page)
    await device.close()
    const other = await slowDevice(browser)
    await signIn(other.page, place)
    await other.slow()
    await other.page.goto(`${place.url}/jobs/${job}/find`, { waitUntil: 'commit' })
    opened.push(await other.took('[aria-label^="Test: "], [aria-label="The cause"]'))
    await other.close()
  }
  return { begun: median(begun), opened: median(opened) }
}

/** A phone that keeps nothing yet, with a watch on its page and its workers. */
async function slowDevice(browser: Browser) {
  const context = await browser.newContext({ viewport: { width: 390, height: 844 }, hasTouch: true })
  const page = await context.newPage()
  await context.route(/engine\.worker-[^/]*\.js$/, async (route) => {
    const response = await route.fetch()
    await route.fulfill({ response, body: `${WATCH_WORKER}${await response.text()}` })
  })
  let from: number | undefined
  return {
    page,
    slow: async () => {
      const session = await context.newCDPSession(page)
      await session.send('Emulation.setCPUThrottlingRate', { rate: SLOWED })
    },
    /** The watch starts now; without it, with the page. */
    restart: async () => {
      from = await page.evaluate(() => performance.timeOrigin + performance.now())
    },
    /** @param shown what has to stand on the page, as a selector: until the frame in which it does */
    took: async (shown: string) => {
      const stands = await page.waitForFunction(
        (own) => document.querySelector(own) && performance.timeOrigin + performance.now(),
        shown,
        { polling: 'raf' },
      )
      const until = (await stands.jsonValue()) as number
      const began = from ?? (await page.evaluate(() => performance.timeOrigin))
      const all = await Promise.all(
        page.workers().map((w) => w.evaluate(() => (globalThis as unknown as { busy?: [number, number][] }).busy)),
      )
      if (!all.some((busy) => busy?.length)) throw new Error('No worker was watched.')
      const spans = all.flatMap((busy) => busy ?? [])
      const busy = spans.reduce((sum, [a, b]) => sum + Math.max(0, Math.min(b, until) - Math.max(a, began)), 0)
      return until - began + (SLOWED - 1) * busy
    },
    close: () => context.close(),
  }
}
