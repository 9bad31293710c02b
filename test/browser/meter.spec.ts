import AxeBuilder from '@axe-core/playwright'
import { expect, test, type Page } from '@playwright/test'
import { brokenMachine, callTo } from './machine'
import {
  choose,
  enter,
  holdIn,
  jobOf,
  JOSS,
  makeSafe,
  openPlace,
  pick,
  readings,
  settled,
  signIn,
  standing,
  type Place,
} from './place'
import { simulatedMeter, type SimulatedMeter } from './simulated-meter'

let place: Place
let bench: SimulatedMeter
test.beforeAll(async () => {
  test.setTimeout(180_000)
  process.env.METER_LOCAL = '1'
  place = await openPlace('meter')
  bench = await simulatedMeter('orrisk-tl40', ['cold-valve:a:b', 'hot-valve:a:b'], 'hot-out.dead')
})
test.afterAll(async () => {
  await bench?.end()
  await place?.close()
})

const allowed = (page: Page) => page.getByRole('region', { name: 'Allowed meters' })
async function allow(page: Page, name: string, host: string, port: number): Promise<void> {
  await allowed(page).getByLabel('Name of the meter').fill(name)
  await allowed(page).getByLabel('Address of the meter').fill(host)
  await allowed(page).getByLabel('Port of the meter').fill(String(port))
  await allowed(page).getByRole('button', { name: 'Allow' }).click()
}
const meterOf = (page: Page, title: string) => page.getByRole('region', { name: `Linked meter: ${title}` })
async function openLine(page: Page, title: string, meter: string): Promise<void> {
  const own = meterOf(page, title)
  await pick(own.getByRole('combobox', { name: 'Which meter' }), meter)
  await own.getByRole('button', { name: 'Open the line' }).click()
  await expect(own.getByLabel('Line')).toContainText('Line to Tern Harbour, bench meter')
}

test('a lead allows a meter; its value is read without a job; what it cannot reach or read is said', async ({
  page,
  browser,
}) => {
  await signIn(page, place)
  await page.goto(`${place.url}/tools/meter`)
  await allow(page, 'Nowhere', '0.0.0.0', 5025)
  await expect(allowed(page).getByRole('alert')).toContainText('not one that a line may be opened to')
  await allow(page, 'Cold', '127.0.0.1', 80)
  await expect(allowed(page).getByRole('alert')).toContainText('from 1024')
  await allow(page, 'Cold', '127.0.0.1', bench.ports[0]!)
  await expect(allowed(page)).toContainText(String(bench.ports[0]))
  await allow(page, 'Hot', '127.0.0.1', bench.ports[1]!)
  await expect(allowed(page).getByRole('listitem')).toHaveCount(2)

  await openLine(page, 'Meter', 'Cold')
  const own = meterOf(page, 'Meter')
  await expect(own.getByLabel('Live value')).toHaveText(/^[\d.]+ V$/)
  await page.keyboard.press('m')
  await expect(own.getByLabel('Taken')).toContainText('Taken:')
  expect((await new AxeBuilder({ page }).analyze()).violations).toEqual([])
  bench.say('garble 1 2')
  await expect(own.getByText('what is no number')).toBeVisible()
  // Its line breaks and comes back by itself.
  bench.say('drop 1 2')
  await expect(own.getByLabel('Line')).toContainText('It is tried again')
  await expect(own.getByLabel('Line')).toContainText('Line to')
  // The server itself is gone for a moment.
  await place.serverAway()
  await expect(own.getByLabel('Line')).toContainText('The server does not answer')
  await place.serverBack()
  await expect(own.getByLabel('Live value')).toHaveText(/V$/, { timeout: 30_000 })
  const saved = page.waitForEvent('download')
  await own.getByRole('button', { name: 'Save the trace' }).click()
  expect((await saved).suggestedFilename()).toBe('Meter.csv')

  // Another person sets the same meter to something else: here it is said, and nothing of it is taken for volts.
  const other = await (await browser.newContext()).newPage()
  await signIn(other, place, JOSS)
  await other.goto(`${place.url}/tools/meter`)
  await pick(meterOf(other, 'Meter').getByRole('combobox', { name: 'What it reads' }), 'Ohms')
  await openLine(other, 'Meter', 'Cold')
  await expect(meterOf(other, 'Meter').getByLabel('Live value')).toHaveText('OL')
  await expect(own.getByLabel('Line')).toContainText('Somebody else has set it to ohms')
  await expect(own.getByLabel('Live value')).toHaveText('–')
  await other.context().close()
})

test('the calls of a washer are caught by two meters: cold comes, hot does not, and both are evidence', async ({
  page,
}) => {
  test.setTimeout(420_000)
  const { engine, says } = brokenMachine('orrisk-tl40', 'hot-out.dead')
  const titleOf = (id: string) => engine.titleOf(engine.catalogue.procedures.find((p) => p.id === id)!)
  const [cold, hot] = [titleOf('cold-valve.volts'), titleOf('hot-valve.volts')]
  await signIn(page, place)
  await callTo(page, place, 'tl40', /laundry left/, says)
  await page.getByRole('navigation', { name: 'Steps of this job' }).getByRole('link', { name: 'Run' }).click()
  const clips = page.getByRole('region', { name: 'Live readings in this run' })
  await clips.getByText('Put tips on').click()
  await holdIn(clips)
  for (const title of [cold, hot]) {
    await pick(clips.getByRole('combobox', { name: 'Where the tips go' }), title, { exact: true })
    await clips.getByRole('button', { name: 'Clipped on, dead' }).click()
    await expect(clips.getByRole('button', { name: `Tips off: ${title}` })).toBeVisible()
  }
  const start = page.getByRole('region', { name: 'Start a run' })
  await holdIn(start)
  for (const [title, name] of [
    [cold, 'Cold'],
    [hot, 'Hot'],
  ] as const) {
    await clips.getByRole('listitem').filter({ hasText: title }).getByText('By a linked meter').click()
    await openLine(page, title, name)
  }
  await meterOf(page, cold).getByLabel('Take it where it comes to rest').check()
  bench.say('start')
  await start.getByRole('button', { name: 'It starts now' }).click()
  const calls = (title: string) => meterOf(page, title).getByRole('list', { name: 'Calls' })
  await expect(calls(cold)).toContainText(/Expected 0:00 to 0:54: on since 0:0[01]/)
  await expect(calls(hot)).toContainText('Expected 0:54 to 1:48: still to come')
  await expect(clips).toContainText(/highest 12\d V|highest 11\d V/)
  // A meter whose line breaks in the run loses nothing of what it had.
  bench.say('drop 1 3')
  await expect(meterOf(page, cold).getByLabel('Line')).toContainText('It is tried again')
  await expect(meterOf(page, cold).getByLabel('Line')).toContainText('Line to')
  // Loaded again, the page goes on with both lines and has what was shown meanwhile.
  await page.reload()
  await expect(meterOf(page, cold).getByLabel('Line')).toContainText('Line to')
  await expect(calls(cold)).toContainText(/Expected 0:00 to 0:54: (on since|shown) 0:0[01]/)
  await expect(calls(cold)).toContainText(/Expected 0:00 to 0:54: shown 0:0[01] to (0:5|1:0)\d/, { timeout: 120_000 })
  await expect(calls(hot)).toContainText('Expected 0:54 to 1:48: not shown', { timeout: 120_000 })

  // Nothing shown is a reading only of a phase that was seen to begin.
  await expect(calls(hot).getByRole('button')).toHaveCount(0)
  await page.getByText('Something else was noticed').click()
  await page.getByRole('button', { name: 'Hot fill begins', exact: true }).click()
  await calls(cold)
    .getByRole('button', { name: /^Enter 1[12]\d/ })
    .click()
  await calls(hot)
    .getByRole('button', { name: /^Enter / })
    .click()
  await page.getByRole('button', { name: 'End the run' }).click()
  await page.getByRole('link', { name: 'Find' }).click()
  await settled(page)
  await expect(readings(page)).toHaveCount(2)
  const after = await standing(page)
  const job = jobOf(page)
  const kept = await place.sql(
    "SELECT payload->>'test' AS test, payload->>'text' AS text FROM job_events WHERE job_id = $1 AND payload->>'type' = 'reading' ORDER BY seq",
    [job],
  )
  expect(kept.map((k) => k.test)).toEqual(['cold-valve.volts', 'hot-valve.volts'])

  // Typed on their cards, the same two readings say the same.
  await callTo(page, place, 'tl40', /laundry left/, says)
  for (const { test: id, text } of kept as { test: string; text: string }[]) {
    await choose(page, titleOf(id))
    await makeSafe(page)
    await enter(page, text)
    await settled(page)
  }
  await expect(readings(page)).toHaveCount(2)
  // The quick answer may stand there for a moment after the second reading.
  await expect.poll(() => standing(page), { timeout: 60_000 }).toBe(after)
})
