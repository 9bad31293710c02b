import { expect, test, type Browser, type Page } from '@playwright/test'
import { brokenMachine, callTo, testToTheEnd } from './machine'
import {
  begin,
  answer,
  choose,
  history,
  jobOf,
  JOSS,
  makeSafe,
  openPlace,
  part,
  readings,
  remedies,
  settled,
  signIn,
  testCard,
  type Place,
} from './place'
import { finish } from './outcome'

let place: Place
test.beforeAll(async () => {
  place = await openPlace('families')
})
test.afterAll(() => place.close())

const LAPTOP = { width: 1280, height: 800 }
const LOW_PHONE = { width: 844, height: 390 }
const PHONE = { width: 390, height: 844 }

/** A colleague on a device of their own, at the job that a page shows, before the test that stands there. */
async function colleagueAt(browser: Browser, page: Page): Promise<Page> {
  const other = await (await browser.newContext({ viewport: LAPTOP })).newPage()
  await signIn(other, place, JOSS)
  await other.goto(`${place.url}/jobs/${jobOf(page)}/find`)
  await settled(other)
  return other
}

for (const { sheet, machine, asked, fault, way, viewport } of [
  {
    sheet: 'ulldale-f9',
    machine: /F-9 flakes/,
    asked: 'uldale f9',
    fault: 'spout.stuck-open',
    way: 'by two people',
    viewport: LAPTOP,
  },
  {
    sheet: 'brindlow-s12',
    machine: /S-12 steamer/,
    asked: 'brindlow s12',
    fault: 'boiler-low.scaled',
    way: 'on a phone on its side',
    viewport: LOW_PHONE,
  },
  {
    sheet: 'tarvost-e10',
    machine: /E-10, cabin 7/,
    asked: 'tarvost e10',
    fault: 'flow.sticks',
    way: 'on a phone',
    viewport: PHONE,
  },
  {
    sheet: 'tarvost-k6',
    machine: /K-6 brewer/,
    asked: 'net loft k6',
    fault: 'runs-short',
    way: 'on a laptop',
    viewport: LAPTOP,
  },
  {
    sheet: 'quenby-v6',
    machine: /V-6, large cabin/,
    asked: 'steam cabin v6',
    fault: 'low-float.float-down',
    way: 'with the line dead half-way',
    viewport: LAPTOP,
  },
  {
    sheet: 'quenby-n5',
    machine: /N-5 flakes/,
    asked: 'quenby n5',
    fault: 'lower.float-up',
    way: 'on a phone',
    viewport: PHONE,
  },
])
  test(`${sheet}: from the call to one thing to do, with what the machine shows, ${way}`, async ({ browser }) => {
    const { engine, truth, says, repairs } = brokenMachine(sheet, fault)
    const context = await browser.newContext({ viewport, hasTouch: viewport !== LAPTOP })
    const page = await context.newPage()
    await signIn(page, place)
    await callTo(page, place, asked, machine, says)
    if (viewport === LAPTOP) await seeWholeMachine(page)
    let other: Page | undefined
    await testToTheEnd(page, { engine, truth }, async (own, taken) => {
      if (way === 'with the line dead half-way' && taken === 1) await context.setOffline(true)
      if (way !== 'by two people' || taken % 2 === 0) return own
      // Every other reading is a colleague's, who is shown the same question.
      other ??= await colleagueAt(browser, page)
      await expect(testCard(other)).toHaveAttribute('aria-label', (await testCard(own).getAttribute('aria-label'))!)
      await settled(other)
      return other
    })
    if (way === 'by two people') await expect(history(page)).toContainText('Joss E.')
    await expect(remedies(page).first()).toContainText(repairs[0].title, { ignoreCase: true })
    await finish(page, repairs[0].title)
    await expect(page.getByLabel('Closed')).toContainText(repairs[0].title)
    await context.setOffline(false)
    // What was entered without a line is there for the others once there is one.
    const closed = () => place.sql('SELECT closed_at FROM jobs WHERE id = $1', [jobOf(page)])
    await expect.poll(async () => (await closed())[0]?.closed_at ?? null).not.toBeNull()
    await other?.context().close()
    await context.close()
  })

/** The picture in its window and the one on the whole screen are the same: nothing is folded away. */
async function seeWholeMachine(page: Page): Promise<void> {
  await expect(page.getByRole('button', { name: 'Whole machine' })).toBeVisible()
  const drawn = await page
    .getByRole('group', { name: /^Water line/ })
    .getByRole('button', { name: /: / })
    .count()
  await page.getByRole('button', { name: 'Whole machine' }).click()
  const full = page.getByRole('dialog', { name: 'Whole machine' })
  await expect(full.getByRole('button', { name: /: / })).toHaveCount(drawn)
  await full.getByRole('button', { name: 'Close' }).click()
}

test('a test that bridges a switch leaves a bypass in the log until somebody says that it is out', async ({ page }) => {
  await signIn(page, place)
  await callTo(page, place, 'uldale f9', /F-9 flakes/, 'Power lamp alone is lit')
  await choose(page, 'Bridge the bin thermostat and wait out the start timers')
  await makeSafe(page)
  await answer(page, 'no').click()
  const bypasses = page.getByRole('region', { name: 'Bypasses' })
  await expect(bypasses).toContainText('A jumper is still across the bin thermostat')
  await expect(part(page, 'bin thermostat')).toHaveAccessibleName(/bypassed/)
  await expect(readings(page)).toHaveCount(1)
  await bypasses.getByRole('button', { name: 'It is out' }).click()
  await expect(bypasses).toHaveCount(0)
  await expect(part(page, 'bin thermostat')).not.toHaveAccessibleName(/bypassed/)
})

test('a lead lifted for a test stands as off until somebody says that it is back', async ({ page }) => {
  await signIn(page, place)
  await callTo(page, place, 'maritime six', /G-6, six zones/, 'A zone runs out of its turn')
  await choose(page, 'Lift the wire of zone 4 off its terminal and look at its sprinklers while zone 5 runs')
  await expect(testCard(page)).toContainText('insulate its bare end')
  await makeSafe(page)
  await answer(page, 'no').click()
  const bypasses = page.getByRole('region', { name: 'Bypasses' })
  await expect(bypasses).toContainText('The lead of terminal 4 is still off its terminal')
  await bypasses.getByRole('button', { name: 'It is back' }).click()
  await expect(bypasses).toHaveCount(0)
  await expect(readings(page)).toHaveCount(1)
})

test('a code looked up by its lamps is the first reading', async ({ page }) => {
  await signIn(page, place)
  await page.goto(`${place.url}/jobs/new`)
  await page.getByLabel('Find a machine').fill('2 beeps')
  const machines = page.getByRole('list', { name: 'Machines found' }).getByRole('button')
  await expect(machines).toHaveCount(3)
  await machines.filter({ hasText: 'A1' }).click()
  await page.getByRole('button', { name: /^A1/ }).click()
  await page.getByRole('button', { name: 'No water comes in' }).click()
  await begin(page)
  await settled(page)
  await expect(readings(page)).toHaveCount(1)
  await expect(history(page)).toContainText('A1')
  await page.goto(`${place.url}/jobs/new`)
  await page.getByLabel('Find a machine').fill('no such thing anywhere')
  await expect(page.getByText('Nothing fits')).toBeVisible()
})
