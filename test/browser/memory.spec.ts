import { expect, test } from '@playwright/test'
import { everyPage } from './every-page'
import { JOSS, openPlace, pick, PIM, signIn, type Place } from './place'

let place: Place
test.beforeAll(async () => {
  place = await openPlace('memory', { world: 'years' })
})
test.afterAll(() => place.close())

test('anything is found by any word from any place by one key, also where it is typed wrong', async ({ page }) => {
  await signIn(page, place)
  await page.keyboard.press('/')
  await expect(page.getByRole('heading', { name: 'Find' })).toBeVisible()
  await page.keyboard.type('habour ligths')
  const found = page.getByRole('list', { name: 'Found' }).getByRole('listitem')
  await expect(found.filter({ hasText: 'Customer' })).toContainText('Harbour Lights Hostel')
  await expect(page.getByText('Nobody has written “ligths”')).toBeVisible()
  await page.getByLabel('Find anything').fill('steamer prover')
  await found.filter({ hasText: 'Brindlow S-12 steamer' }).filter({ hasText: 'Machine' }).click()
  await expect(page.getByRole('heading', { name: 'Brindlow S-12 steamer' })).toBeVisible()
  await page.goBack()
  await expect(page.getByLabel('Find anything')).toHaveValue('steamer prover')
  await page.getByLabel('Find anything').fill('steamer xylophone')
  await expect(page.getByRole('heading', { name: 'Nothing has all these words' })).toBeVisible()
})

test('two years of jobs are counted by month and by cause, and the page says the same as the table', async ({
  page,
}) => {
  await signIn(page, place, PIM)
  await page.goto(`${place.url}/shop/figures`)
  await pick(page.getByRole('combobox', { name: 'Period' }), 'two years')
  const [{ closed }] = (await place.sql(
    "SELECT count(*)::int AS closed FROM jobs j JOIN organisations o ON o.id = j.organisation_id WHERE o.name LIKE 'Ebb%' AND closed_at > now() - interval '730 days'",
  )) as [{ closed: number }]
  expect(closed).toBeGreaterThanOrEqual(400)
  const tile = page.locator('dl .card').filter({ hasText: 'Closed jobs' })
  await expect(tile).toContainText(String(closed))
  await page.getByText('As a table').click()
  const rows = page.getByRole('region', { name: 'By month' }).getByRole('row')
  const counts = await rows.evaluateAll((list) => list.slice(1).map((r) => Number(r.children[1]!.textContent)))
  expect(counts.reduce((a, b) => a + b, 0)).toBe(closed)
  await expect(page.getByText(/The way to the cause took \d+\.\d × what the engine expected/)).toBeVisible()
  await page.getByRole('combobox', { name: 'Kind of machine' }).click()
  await page.getByRole('option').first().click()
  await expect(
    page.getByRole('list', { name: 'Causes, most frequent first' }).getByRole('listitem').first(),
  ).toBeVisible()
  const [saved] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Save as CSV' }).click(),
  ])
  expect(saved.suggestedFilename()).toBe('causes.csv')
})

test('a machine shows what was read of it over the years, and what the shop has learnt of such machines, which can be left out', async ({
  page,
}) => {
  const [busiest] = (await place.sql(
    `SELECT j.unit_id AS unit, e.payload->>'test' AS test, count(*)::int AS n FROM job_events e JOIN jobs j ON j.id = e.job_id JOIN units u ON u.id = j.unit_id
     WHERE e.payload->>'type' = 'reading' AND e.payload->'value'->>'type' = 'value' AND u.sheet = 'orrisk-tl40' AND e.payload->>'test' LIKE '%.ohms' GROUP BY 1, 2 ORDER BY n DESC LIMIT 1`,
  )) as { unit: string; test: string; n: number }[]
  await signIn(page, place)
  await page.goto(`${place.url}/machines/${busiest!.unit}`)
  const read = page.getByRole('region', { name: 'What was read of it' })
  await expect(read).toBeVisible({ timeout: 60_000 })
  await expect(read).toContainText(/readings?/)
  await read.getByText('As a list').click()
  await expect(read.getByRole('list', { name: 'Readings' }).getByRole('listitem').first()).toBeVisible()
  const learnt = page.getByRole('region', { name: 'What the shop has learnt' })
  await expect(learnt).toContainText(/\d+ closed jobs? in \d+\.\d machine-years/)
  await expect(learnt.getByRole('list', { name: 'How often' }).getByRole('listitem').first()).toContainText(
    'by the book',
  )
  const counts = learnt.getByLabel('The advice on this device counts in what the shop has learnt')
  await expect(counts).toBeChecked()
  await counts.uncheck()
  await page.reload()
  await expect(learnt.getByLabel('The advice on this device counts in what the shop has learnt')).not.toBeChecked({
    timeout: 60_000,
  })
  const [set] = (await place.sql(
    "SELECT j.unit_id AS unit, e.payload->>'text' AS text FROM job_events e JOIN jobs j ON j.id = e.job_id WHERE e.payload->>'type' = 'setting' LIMIT 1",
  )) as [{ unit: string; text: string }]
  await page.goto(`${place.url}/machines/${set.unit}`)
  await expect(page.getByRole('region', { name: 'Settings' })).toContainText(`${set.text} as left on`)
})

test('what waits, what has come, what is off and what is out of service stands where somebody looks for it', async ({
  page,
}) => {
  await signIn(page, place, JOSS)
  await page.goto(`${place.url}/today`)
  const come = page.getByRole('region', { name: 'Parts that have come' })
  await expect(come).toContainText('Brindlow D-3, cups')
  // Of what it waits for, one thing has not come.
  await expect(come).not.toContainText('Quenby C-25, hall')
  await expect(page.getByRole('region', { name: 'Waiting' })).toContainText('Quenby C-25, hall')
  const half = page.getByRole('link', { name: /Orrisk TL-60, overalls/ })
  await expect(half).toContainText('Still off: cold valve')
  await half.click()
  await page.getByRole('link', { name: 'Wiring' }).click()
  await expect(page.getByRole('region', { name: 'What is off' })).toContainText('cold valve 1 on the photo')
  const photo = page.getByRole('region', { name: 'Photos' }).getByRole('img')
  await expect.poll(() => photo.evaluate((img: HTMLImageElement) => img.naturalWidth)).toBeGreaterThan(0)

  const [unsafe] = (await place.sql(
    "SELECT job_id AS id FROM job_events WHERE payload->>'type' = 'left-unsafe' LIMIT 1",
  )) as [{ id: string }]
  await page.goto(`${place.url}/jobs/${unsafe.id}/report`)
  await expect(page.getByText('Left out of service: isolated, tagged and warned of.').first()).toBeVisible()
  await expect(page.getByText('Signed by Wenna D.')).toBeVisible()
})

test('the rooms of the shop and the search have titles of their own, pass the accessibility check and fit a phone', async ({
  browser,
}) => {
  const page = await (await browser.newContext({ viewport: { width: 390, height: 844 }, hasTouch: true })).newPage()
  await signIn(page, place)
  const titles = await everyPage(page, place, [
    'find?q=hostel',
    'shop/schedule',
    'shop/parts',
    'shop/parts/import',
    'shop/figures',
    'today',
    'me',
    'machines/01900000-0000-7000-8000-000000000143',
  ])
  expect(new Set(titles).size).toBe(8)
})
