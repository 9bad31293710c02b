import type { Browser, Page } from '@playwright/test'
import { begin, jobOf, JOSS, settled, signIn, type Place } from '../test/browser/place'

const ENTRIES = 20

/** On the page's own clock, which two pages of one machine share, ms since 1970. */
const now = (page: Page): Promise<number> => page.evaluate(() => performance.timeOrigin + performance.now())

/**
 * How long what one person enters takes until it stands before another on the same job, who is connected to another process of the
 * server: from the act to the frame in which it is there, ms, one for each entry.
 *
 * @param unit the machine of the job, by name
 * @param complaint what is said of it
 */
export async function newsDelays(browser: Browser, place: Place, unit: string, complaint: string): Promise<number[]> {
  const url = await place.second()
  const [own, other] = [await browser.newPage(), await browser.newPage()]
  await signIn(own, place)
  await own.goto(`${place.url}/jobs/new`)
  await own.getByRole('button', { name: unit }).first().click()
  await own.getByRole('button', { name: complaint, exact: true }).click()
  await begin(own)
  await signIn(other, { ...place, url }, JOSS)
  await other.goto(`${url}/jobs/${jobOf(own)}/find`)
  for (const page of [own, other]) await settled(page)
  const delays: number[] = []
  for (let k = 0; k < ENTRIES; k++) {
    const remark = `Tried and noted, ${k + 1}`
    await own.getByLabel('A remark').fill(remark)
    const entered = await now(own)
    await own.getByRole('button', { name: 'Note it' }).click()
    const stands = await other.waitForFunction(
      (text) =>
        document.querySelector('[aria-label="Remarks"]')?.textContent?.includes(`${text} `) &&
        performance.timeOrigin + performance.now(),
      remark,
      { polling: 'raf' },
    )
    delays.push(((await stands.jsonValue()) as number) - entered)
  }
  for (const page of [own, other]) await page.close()
  return delays
}
