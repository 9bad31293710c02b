import { expect, test } from '@playwright/test'
import { brokenMachine, callTo, testToTheEnd } from './machine'
import { atCause, openPlace, settled, signIn, type Place, history, remedies, testCard } from './place'
import { decideOn, finish, tryInVain } from './outcome'

let place: Place
test.beforeAll(async () => {
  place = await openPlace('in-vain')
})
test.afterAll(() => place.close())

test('two faults at once: the first repair is right and does not do, the tests go on, the second ends it', async ({
  page,
}) => {
  await page.setViewportSize({ width: 390, height: 844 })
  const machine = brokenMachine('orrisk-tl40', 'cold-valve.coil-open', 'cold-screen.blocked')
  const { engine, truth, says, repairs } = machine
  await signIn(page, place)
  await callTo(page, place, 'tl40', /laundry left/, says)
  await testToTheEnd(page, machine)
  const first = remedies(page).first()
  await expect(first).toContainText(repairs[0].title, { ignoreCase: true })
  truth.repair(engine.machine.sheet.repairs.indexOf(repairs[0]))
  expect(truth.complaints().length).toBeGreaterThan(0)
  await tryInVain(page, repairs[0].title)
  await settled(page)
  await expect(history(page)).toContainText(repairs[0].title)
  await expect(testCard(page)).toBeVisible()
  // Said by mistake, it can be taken back, and the cause stands as it stood.
  await page.keyboard.press('Escape')
  await page.keyboard.press('u')
  await settled(page)
  await expect.poll(() => atCause(page)).toBe(true)
  await expect(remedies(page).first()).toContainText(repairs[0].title, { ignoreCase: true })
  await tryInVain(page, repairs[0].title)
  await expect(history(page)).toContainText(repairs[0].title)
  await settled(page)
  await testToTheEnd(page, machine)
  await expect(remedies(page).first()).toContainText(repairs[1].title, { ignoreCase: true })
  await finish(page, repairs[1].title)
  await expect(page.getByLabel('Closed')).toContainText(repairs[1].title)
})

test('where licensed work begins the tool stops and hands over', async ({ page }) => {
  const machine = brokenMachine('ulldale-g6', 'mains.dead')
  await signIn(page, place)
  await callTo(page, place, 'maritime six', /G-6, six zones/, machine.says)
  await testToTheEnd(page, machine)
  await expect(remedies(page).first()).toContainText(machine.repairs[0].title, { ignoreCase: true })
  await expect(page.getByRole('note', { name: 'Licensed work' })).toContainText('This tool stops here')
  await expect(page.getByRole('note', { name: 'Licensed work' })).toContainText('licensed people under local code')
  await decideOn(page, machine.repairs[0].title)
  await page.getByRole('button', { name: 'Handed over: close the job' }).click()
  await expect(page.getByLabel('Closed')).toContainText(machine.repairs[0].title)
})
