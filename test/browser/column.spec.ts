import { expect, test, type Page } from '@playwright/test'
import { repaired } from '../repaired'
import { callTo } from './machine'
import {
  choose,
  enter,
  history,
  jobEvent,
  makeSafe,
  openPlace,
  readings,
  settled,
  signIn,
  testCard,
  type Place,
  jobOf,
} from './place'

let place: Place
test.beforeAll(async () => {
  place = await openPlace('column')
})
test.afterAll(() => place.close())

const COLUMN = 'Ohms of each in turn: cold valve, hot valve'
const rows = (page: Page) => testCard(page).getByRole('list', { name: 'Column of 2 readings' }).getByRole('listitem')

test('a column is read row by row on one card, also without a line, and its rows stand in the log each by itself', async ({
  page,
  context,
}) => {
  await signIn(page, place)
  await callTo(page, place, 'laundry left', /laundry left/, 'No water comes in')
  await choose(page, COLUMN)
  await makeSafe(page)
  await expect(rows(page).first()).toHaveAttribute('aria-current', 'step')
  await enter(page, '1003')
  await expect(readings(page)).toHaveCount(1)
  await settled(page)
  // The question stays until its last row, and one that cannot be taken is passed.
  await expect(rows(page).first()).toContainText('1 kΩ')
  await expect(rows(page).last()).toHaveAttribute('aria-current', 'step')
  await context.setOffline(true)
  await page.getByRole('button', { name: 'Could not take it' }).click()
  await expect(readings(page)).toHaveCount(2)
  await settled(page)
  await expect(rows(page)).toHaveCount(0)
  await context.setOffline(false)
  await expect(history(page)).toContainText('Ohms of the cold valve')
  await expect(history(page)).toContainText('could not')
  await page.reload()
  await settled(page)
  await expect(readings(page)).toHaveCount(2)
})

test('what an earlier job on the model taught is counted in, and said', async ({ page }) => {
  await signIn(page, place)
  await callTo(page, place, 'laundry right', /laundry right/, 'No water comes in')
  await page.getByText(/^Order: /).click()
  await expect(page.getByLabel('Our own record')).toHaveCount(0)
  const job = jobOf(page)
  await choose(page, 'Ohms of the cold valve')
  await makeSafe(page)
  await enter(page, '1003')
  await expect(readings(page)).toHaveCount(1)
  const closed = await page.request.post(`${place.url}/api/jobs/${job}/events`, {
    data: {
      events: [
        jobEvent({ type: 'safety', step: 're-power' }),
        ...repaired('orrisk-tl40', 'new-lid-switch', (payload) => jobEvent(payload)),
      ],
    },
  })
  const { results } = (await closed.json()) as { results: { status: string }[] }
  expect(results.map((r) => r.status)).toEqual(results.map(() => 'accepted'))
  await callTo(page, place, 'laundry left', /laundry left/, 'No water comes in')
  await page.getByText(/^Order: /).click()
  await expect(page.getByLabel('Our own record')).toContainText(
    /1 closed job in .* years of machines, 1 reading of windings that went on working/,
  )
})
