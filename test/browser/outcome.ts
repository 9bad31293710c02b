import { expect, type Page } from '@playwright/test'
import { holdIn } from './place'

/** What is shown at a machine that works again, by what is asked for. */
const SHOWN: readonly [asked: RegExp, shows: string][] = [
  [/^Earth continuity/, '0.12'],
  [/^Insulation/, '180 M'],
]

/** Goes from the cause to the repair of this title, and has it before it. */
export async function decideOn(page: Page, title: string): Promise<void> {
  await page.getByRole('button', { name: 'Go on: decide what to do' }).click()
  const options = page.getByRole('radiogroup', { name: 'Repairs' })
  await options.getByRole('radio', { name: title }).first().check()
  // What has just come is bound to nobody's choice yet.
  await page.waitForTimeout(700)
}

/** Goes on from the decision to where the repair is proved. */
export async function doIt(page: Page): Promise<void> {
  await page.getByRole('button', { name: 'Go on: do this repair' }).click()
  await page.getByRole('button', { name: 'Go on: prove it' }).click()
  await expect(page.getByRole('region', { name: 'What has to hold' })).toBeVisible()
}

/** Says of everything that has to hold that it does; of the cycle that somebody else watches the first one. */
export async function proveAll(page: Page): Promise<void> {
  const rows = page.getByRole('region', { name: 'What has to hold' }).getByRole('group')
  await expect(rows.first()).toBeVisible()
  for (let k = 0; k < (await rows.count()); k++) {
    const row = rows.nth(k)
    // Said already.
    if (await row.getByRole('button', { name: /^Undo / }).count()) continue
    const name = (await row.getAttribute('aria-label')) ?? ''
    const shows = SHOWN.find(([asked]) => asked.test(name))?.[1]
    const holds = row.getByRole('button', { name: /^It holds: / })
    if (shows) {
      await holdIn(row)
      await row.getByRole('textbox').fill(shows)
      await row.getByRole('button', { name: 'Take it' }).click()
    } else if (await holds.count()) await holds.click()
    else {
      await row.getByRole('button', { name: 'Not asked here …' }).click()
      await row
        .getByRole('textbox', { name: /^Why not: / })
        .fill('The next guest is waiting; the desk watches the first one.')
      await row.getByRole('button', { name: 'Note it' }).click()
    }
    await expect(row.getByText(/^(holds|not asked here)/)).toBeVisible()
  }
}

/** From the cause to a closed job: decided, done, proved. */
export async function finish(page: Page, title: string): Promise<void> {
  await decideOn(page, title)
  await doIt(page)
  await proveAll(page)
  await page.getByRole('button', { name: 'Repaired and proved: close the job' }).click()
}

/** Decides on a repair, does it, and finds that it does not do. */
export async function tryInVain(page: Page, title: string): Promise<void> {
  await decideOn(page, title)
  await doIt(page)
  await page.getByRole('button', { name: 'It still fails' }).click()
}
