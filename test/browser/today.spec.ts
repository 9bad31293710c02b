import { expect, test, type Page } from '@playwright/test'
import { findShipped } from '../../cli/library'
import { sheetOf } from '../core/support/sheets'
import { axeViolations } from './measure'
import { jobEvent, openCall, openPlace, signIn, type Place } from './place'

let place: Place
test.beforeAll(async () => {
  place = await openPlace('today')
})
test.afterAll(() => place.close())

const section = (page: Page, name: string) => page.getByRole('region', { name })
const today = async (page: Page) => {
  await page.getByRole('link', { name: 'All jobs' }).click()
  await page.getByRole('link', { name: 'Today', exact: true }).click()
  await expect(page.getByRole('heading', { name: 'Today' })).toBeVisible()
}

test('Today says what must not be forgotten: jumpers, what is not sent, what is waited for, what is open', async ({
  page,
}) => {
  await signIn(page, place)
  await expect(section(page, 'Nothing open')).toBeVisible()
  const job = await openCall(page, place, 'No water comes in')
  const post = async (...payloads: object[]) => {
    const answer = await page.request.post(`${place.url}/api/jobs/${job}/events`, {
      data: { events: payloads.map((p) => jobEvent(p)) },
    })
    return ((await answer.json()) as { results: { status: string }[] }).results.map((r) => r.status)
  }
  const { makeSafe } = sheetOf(findShipped('orrisk-tl40')!.text)
  const bridged = { type: 'action', action: { verb: 'jumper', target: 'lid' } }
  expect(await post(...makeSafe.map(({ id }) => ({ type: 'safety', step: id })), bridged)).not.toContain('refused')
  await expect(page.getByRole('region', { name: 'Bypasses' })).toContainText('lid switch')
  await today(page)
  await expect(section(page, 'Mine, open').getByRole('listitem')).toHaveCount(1)
  await expect(section(page, 'To put right')).toContainText('lid switch')
  expect(await axeViolations(page)).toEqual([])

  // Without a connection it is known here that the jumper is out, and that nobody else has heard of it.
  await section(page, 'To put right').getByRole('link').click()
  await place.serverAway()
  await page.getByRole('button', { name: 'It is out' }).click()
  await page.getByLabel('A remark').fill('lid switch sticks')
  await page.getByRole('button', { name: 'Note it' }).click()
  await expect(page.getByRole('region', { name: 'Remarks' }).getByRole('listitem')).toHaveCount(1)
  await today(page)
  await expect(section(page, 'Not sent yet')).toContainText('2 entries wait')
  await expect(section(page, 'To put right')).toHaveCount(0)
  await expect(page.getByRole('status', { name: 'Connection' })).toBeVisible()
  await page.setViewportSize({ width: 390, height: 844 })
  expect(await page.evaluate(() => document.documentElement.scrollWidth - innerWidth)).toBeLessThanOrEqual(0)
  expect(await axeViolations(page)).toEqual([])
  await place.serverBack()
  await expect(section(page, 'Not sent yet')).toHaveCount(0)

  expect(await post({ type: 'awaits', what: 'part', text: 'lid switch on order' })).toEqual(['accepted'])
  await expect(section(page, 'Waiting')).toContainText('lid switch on order')
  await expect(section(page, 'Mine, open')).toHaveCount(0)
  await page.getByRole('link', { name: 'Jobs', exact: true }).click()
  await page.getByRole('radio', { name: 'Waiting' }).click()
  await expect(page.getByRole('list', { name: 'Jobs' }).getByRole('listitem')).toHaveCount(1)
  await page.getByRole('radio', { name: 'Jumper in, lead off' }).click()
  await expect(page.getByRole('heading', { name: 'No job fits' })).toBeVisible()
})
