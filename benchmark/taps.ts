import type { Browser, Locator } from '@playwright/test'
import { settled, signIn, type Place } from '../test/browser/place'

/**
 * How many taps beside typing lead from the opened application to the first reading of a new call, on a phone: a look that the call
 * asks for where it stands, else the first test.
 *
 * @param unit its name
 * @param complaint what is said of it
 */
export async function tapsToReading(browser: Browser, place: Place, unit: string, complaint: string): Promise<number> {
  const context = await browser.newContext({ viewport: { width: 390, height: 844 }, hasTouch: true })
  try {
    const page = await context.newPage()
    await signIn(page, place)
    await page.goto(place.url)
    let taps = 0
    const tap = async (button: Locator) => {
      await button.tap()
      taps++
    }
    await tap(page.getByRole('button', { name: 'New call' }))
    await page.getByLabel('Find a machine').fill(unit)
    await tap(page.getByRole('button', { name: unit }).first())
    await tap(page.getByRole('button', { name: complaint, exact: true }))
    await tap(page.getByRole('button', { name: 'Begin the job' }))
    await page.getByRole('region', { name: 'Call' }).waitFor()
    const answers = page.getByRole('list', { name: /^(As found|On the phone)$/ }).getByRole('button')
    // What is asked is chosen once the advice is settled.
    const asks = await answers
      .first()
      .waitFor({ timeout: 10_000 })
      .then(
        () => true,
        () => false,
      )
    if (asks) {
      await tap(answers.first())
      await page.getByRole('button', { name: /^Undo / }).waitFor()
      return taps
    }
    await tap(page.getByRole('button', { name: 'Go on: find the cause' }))
    await settled(page)
    // The tap that answers or enters.
    return taps + 1
  } finally {
    await context.close()
  }
}
