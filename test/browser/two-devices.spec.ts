import { expect, test, type Page } from '@playwright/test'
import { choose, enter, makeSafe, openCall, openPlace, settled, signIn, type Place } from './place'

let place: Place
test.beforeAll(async () => {
  place = await openPlace('two-devices')
})
test.afterAll(() => place.close())
test.use({ actionTimeout: 20_000 })

const readings = (page: Page) => page.locator('.history li')

test('two devices at one job lose nothing, say the same, and one takes back what the other entered', async ({
  browser,
}) => {
  test.setTimeout(180_000)
  const [van, bench] = await Promise.all([0, 1].map(async () => (await browser.newContext()).newPage()))
  await signIn(van, place)
  const job = await openCall(van, place, 'No water comes in')
  await signIn(bench, place)
  await bench.goto(`${place.url}/jobs/${job}`)
  await settled(bench)
  expect(await bench.locator('.suspects').innerText()).toBe(await van.locator('.suspects').innerText())

  // Each reads something without knowing of the other; one of them while nobody answers.
  place.databaseAway()
  await choose(van, 'Ohms of the cold valve')
  await makeSafe(van)
  await enter(van, '812')
  await expect(readings(van)).toHaveCount(1)
  place.databaseBack()
  await choose(bench, 'Cold hose: look whether it is kinked')
  await makeSafe(bench)
  await bench.locator('[data-answer=no]').click()
  await expect(readings(bench)).toHaveCount(1)
  // Both have arrived when a fresh look at the job shows two.
  const events = async () => {
    const answer = await van.request.get(`${place.url}/api/jobs/${job}`)
    return ((await answer.json()) as { events: { what: { is: string } }[] }).events.filter(
      (e) => e.what.is === 'reading',
    )
  }
  await expect.poll(async () => (await events()).length).toBe(2)
  for (const page of [van, bench]) {
    await page.reload()
    await settled(page)
    await expect(readings(page)).toHaveCount(2)
  }
  const both = await van.locator('.suspects').innerText()
  expect(await bench.locator('.suspects').innerText()).toBe(both)

  await bench.getByRole('button', { name: /^Undo/ }).first().click()
  await expect(readings(bench)).toHaveCount(1)
  await settled(bench)
  await van.reload()
  await settled(van)
  await expect(readings(van)).toHaveCount(1)
  expect(await van.locator('.suspects').innerText()).toBe(await bench.locator('.suspects').innerText())
  expect(await van.locator('.suspects').innerText()).not.toBe(both)
})
