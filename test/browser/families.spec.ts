import { expect, test } from '@playwright/test'
import { brokenMachine, callTo, testToTheEnd } from './machine'
import {
  begin,
  answer,
  choose,
  history,
  makeSafe,
  openPlace,
  part,
  readings,
  remedies,
  settled,
  signIn,
  type Place,
} from './place'

let place: Place
test.beforeAll(async () => {
  place = await openPlace('families')
})
test.afterAll(() => place.close())

test.use({ actionTimeout: 20_000 })

for (const { sheet, machine, asked, fault } of [
  { sheet: 'ulldale-f9', machine: /F-9 flakes/, asked: 'uldale f9', fault: 'spout.stuck-open' },
  { sheet: 'brindlow-s12', machine: /S-12 steamer/, asked: 'brindlow s12', fault: 'boiler-low.scaled' },
  { sheet: 'ulldale-g6', machine: /G-6, six zones/, asked: 'maritime six', fault: 'common-b.broken' },
  { sheet: 'brindlow-d6', machine: /D-6, kitchen/, asked: 'D6 dishwasher', fault: 'heater.open' },
])
  test(`${sheet}: from the call to the cause, with what the machine shows`, async ({ page }) => {
    test.setTimeout(420_000)
    const { engine, truth, says, repairs } = brokenMachine(sheet, fault)
    await signIn(page, place)
    await callTo(page, place, asked, machine, says)
    // The picture in its window and the one on the whole screen are the same: nothing is folded away.
    await expect(page.getByRole('button', { name: 'Whole machine' })).toBeVisible()
    const drawn = await page
      .getByRole('group', { name: /^Water line/ })
      .getByRole('button', { name: /: / })
      .count()
    await page.getByRole('button', { name: 'Whole machine' }).click()
    const full = page.getByRole('dialog', { name: 'Whole machine' })
    await expect(full.getByRole('button', { name: /: / })).toHaveCount(drawn)
    await full.getByRole('button', { name: 'Close' }).click()
    await testToTheEnd(page, { engine, truth })
    await expect(remedies(page).first()).toHaveAccessibleName(new RegExp(repairs[0].title))
    await page.getByRole('button', { name: /close the job/ }).click()
    await expect(page.getByLabel('Closed')).toContainText(repairs[0].title)
  })

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

test('a code looked up by its lamps is the first reading', async ({ page }) => {
  await signIn(page, place)
  await page.goto(`${place.url}/jobs/new`)
  await page.getByLabel('Find a machine').fill('2 beeps')
  await expect(page.getByRole('list', { name: 'Machines found' }).getByRole('button')).toHaveCount(1)
  await expect(page.getByRole('list', { name: 'Machines found' }).getByRole('button')).toContainText('A1')
  await page.getByRole('list', { name: 'Machines found' }).getByRole('button').click()
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
