import { expect, test, type Page } from '@playwright/test'
import { callTo } from './machine'
import { choose, jobOf, makeSafe, openPlace, readings, settled, signIn, type Place } from './place'

let place: Place
test.beforeAll(async () => {
  place = await openPlace('tools')
})
test.afterAll(() => place.close())

const comes = (page: Page) => page.getByRole('region', { name: 'What comes out' })

test('a tool without a job: numbers with their formula and what they mean, understood in either system, kept, without a connection', async ({
  page,
}) => {
  await signIn(page, place)
  await page.getByRole('navigation', { name: 'Places' }).getByRole('link', { name: 'Tools' }).click()
  await page.getByRole('link', { name: /^Heater/ }).click()
  await expect(comes(page)).toContainText('Still wanted: Volts of its plate, Watts of its plate')
  await page.context().setOffline(true)
  await page.getByLabel('Volts of its plate').fill('230')
  await page.getByLabel('Watts of its plate').fill('2 kW')
  await expect(comes(page)).toContainText('26.4 Ω ±1.3 Ω')
  await expect(comes(page)).toContainText('(230 V)² / 2 kW')
  await page.getByLabel(/^Volts at the element/).fill('214')
  await page.getByLabel(/^Current measured/).fill('4')
  await expect(comes(page)).toContainText('Less than these volts should drive')
  await page.getByLabel('Watts of its plate').fill('0')
  await expect(page.getByRole('alert')).toHaveText('This must be more than nought.')
  await expect(comes(page)).not.toContainText('Ω')
  await page.getByLabel('Watts of its plate').fill('2000')
  await page.context().setOffline(false)
  await page.reload()
  await expect(page.getByLabel('Watts of its plate')).toHaveValue('2000')
  await page.goto(`${place.url}/tools/bucket`)
  await page.getByRole('radio', { name: 'US' }).click()
  await page.getByLabel('Volume in the bucket').fill('2.6 gal')
  await page.getByLabel(/^Time s$/).fill('0:30')
  await page.getByLabel(/nothing running/).fill('45')
  await page.getByLabel(/while it runs/).fill('2.1 bar')
  await expect(comes(page)).toContainText('5.2 gpm')
  await page.getByLabel(/while it runs/).fill('60')
  await expect(page.getByRole('alert')).toHaveText('These two seem to have changed places.')
})

test('a curve is drawn where looking beats reading; a column of zones is read together; what is over range is understood', async ({
  page,
}) => {
  await signIn(page, place)
  await page.goto(`${place.url}/tools/bead-curve`)
  for (const [n, ohms, celsius] of [
    ['First', '32.65 k', '0'],
    ['Second', '10k', '77 °F'],
    ['Third', '3601', '50'],
  ] as const) {
    await page.getByLabel(`${n}: ohms`).fill(ohms)
    await page.getByLabel(`${n}: temperature`).fill(celsius)
  }
  await expect(comes(page)).toContainText('10 kΩ')
  await expect(page.getByRole('img', { name: 'Ohms over Temperature' }).locator('svg')).toBeVisible()
  await page.getByLabel('Third: temperature').fill('25')
  await expect(page.getByRole('alert')).toContainText('Too close to another point')
  await page.goto(`${place.url}/tools/zone-survey`)
  for (const [k, ohms] of ['34', '17.4', 'OL', '17.5', '35', '33'].entries())
    await page.getByLabel(`Zone ${k + 1}: Ohms to the common`).fill(ohms)
  await expect(comes(page)).toContainText('Zone 3. One open: that run')
  await expect(comes(page)).toContainText('Zone 2, Zone 4. Likely: two alike')
  await page.getByRole('button', { name: 'Empty all' }).click()
  await expect(comes(page)).toContainText('Still wanted')
})

test('clocks go on while the page is away; cycles are counted with what may still be missed', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 })
  await signIn(page, place)
  await page.goto(`${place.url}/tools/timers`)
  await page.getByLabel('Name').fill('cold fill')
  await page.getByRole('button', { name: 'Start a clock' }).click()
  await page.goto(`${place.url}/tools`)
  await page.clock.install({ time: new Date(Date.now() + 90_000) })
  await page.goto(`${place.url}/tools/timers`)
  await expect(page.getByRole('timer')).toHaveText(/^1:3\d/)
  await page.getByRole('button', { name: 'Stop' }).click()
  await page.getByLabel('Name').fill('lower float')
  await page.getByRole('button', { name: 'Start a count' }).click()
  for (let k = 0; k < 10; k++) await page.getByRole('button', { name: 'Worked' }).click()
  await expect(page.getByText('may miss up to 26 % of times (95 %)')).toBeVisible()
  await page.getByRole('button', { name: 'Missed' }).click()
  await expect(page.getByText('10 of 11')).toBeVisible()
  await page.reload()
  await expect(page.getByText('10 of 11')).toBeVisible()
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390)
})

test('float cycles with a miss, reckoned beside the card: entered as if it had been typed there', async ({ page }) => {
  await signIn(page, place)
  await callTo(page, place, 'n-5', /N-5/, 'It beeps two at a time, and its reservoir is dry')
  await choose(page, 'Work the lower float 10 times')
  await makeSafe(page)
  await page.getByText('Reckon it').click()
  await page.getByRole('button', { name: 'Float cycles' }).click()
  const tool = page.getByRole('region', { name: 'Float cycles' })
  await tool.getByLabel('Times worked').fill('10')
  await tool.getByLabel('Misses').fill('11')
  await expect(tool.getByRole('alert')).toBeVisible()
  await tool.getByLabel('Misses').fill('1')
  await expect(tool).toContainText('39.4 %')
  await tool.getByRole('button', { name: 'Use as the reading: 9 of 10' }).click()
  await page
    .getByRole('form', { name: 'Enter what it shows' })
    .getByRole('button', { name: /^Enter/ })
    .click()
  await expect(readings(page)).toHaveCount(1)
  await settled(page)
  const kept = await place.sql(
    "SELECT payload->>'text' AS text, payload->'value' AS value FROM job_events WHERE job_id = $1 AND payload->>'type' = 'reading'",
    [jobOf(page)],
  )
  expect(kept).toEqual([{ text: '9/10', value: { type: 'times', clean: 9, of: 10 } }])
})

test('a thermostat is watched by what was read beside it when it opened and closed; tables carry their sources', async ({
  page,
}) => {
  await signIn(page, place)
  await page.goto(`${place.url}/tools/timers`)
  await page.getByLabel('Name').fill('tank thermostat')
  await page.getByRole('button', { name: 'Watch a switch' }).click()
  const own = page.getByRole('list', { name: 'Switches' }).getByRole('listitem').first()
  for (const [value, turn] of [
    ['95', 'Opened'],
    ['89,5', 'Closed'],
    ['96', 'Opened'],
  ] as const) {
    await own.getByLabel('Read beside tank thermostat').fill(value)
    await own.getByRole('button', { name: turn, exact: true }).click()
  }
  await expect(own).toContainText('opens at 95.5 (95 to 96), closes at 89.5, 6 between')
  await page.reload()
  await expect(own).toContainText('opens at 95.5')
  await page.goto(`${place.url}/tools/tables`)
  await expect(page.getByRole('row', { name: /^18 AWG/ })).toContainText('20.9')
  await expect(page.getByText(/ASTM B258/)).toBeVisible()
  await expect(page.getByRole('row', { name: /^230 V/ })).toContainText('253 V')
})

test('a trace of a logger is drawn with its peaks and its on-times; what is none is said with its row', async ({
  page,
}) => {
  await signIn(page, place)
  await page.goto(`${place.url}/tools/trace`)
  const pick = (name: string, text: string) =>
    page.getByLabel('Choose a file').setInputFiles({ name, mimeType: 'text/csv', buffer: Buffer.from(text) })
  await pick('letter.csv', 'Dear Mara,\nthe valve is done.\n')
  await expect(page.getByRole('alert')).toContainText('this is no trace of a logger')
  // 300,000 rows, decimal commas: a call from 60 to 100 s, and one peak of a single row.
  const rows = Array.from({ length: 300_000 }, (_, i) => {
    const t = i / 1000
    const volts = (t >= 60 && t < 100 ? 118 : 0.5) + (i % 7) / 10 + (i === 222_222 ? 77 : 0)
    return `${t.toFixed(3)};${volts.toFixed(1)}`.replaceAll('.', ',')
  })
  await pick('broken.csv', ['t;U', ...rows.slice(0, 5000), 'battery low', ...rows.slice(5000, 6000)].join('\n'))
  await expect(page.getByRole('alert')).toContainText(
    'Row 5002: “battery low” does not fit the rows before it. Nothing of the file was taken.',
  )
  await expect(page.getByRole('region', { name: 'The trace' })).toHaveCount(0)
  await pick('call.csv', ['t;U', ...rows].join('\n'))
  await expect(page.getByRole('note', { name: 'Size' })).toContainText('300,000 rows')
  await expect(page.getByLabel('In the window')).toContainText('118.6')
  await expect(page.getByRole('region', { name: 'When it was on' })).toContainText('1:00 to 1:40, 40 s')
  await expect(page.getByRole('img', { name: 'U over time' }).locator('canvas')).toBeVisible()
})
