import { expect, test, type Locator, type Page } from '@playwright/test'
import { v7 as uuidv7 } from 'uuid'
import { jobEvent, JOSS, openPlace, pick, signIn, type Place } from './place'

let place: Place
test.beforeAll(async () => {
  place = await openPlace('schedule')
})
test.afterAll(() => place.close())

const lane = (page: Page, who: string) => page.getByRole('list', { name: `Visits of ${who}` }).getByRole('listitem')
const waiting = (page: Page) => page.getByRole('list', { name: 'Not placed' }).getByRole('listitem')
const said = (page: Page) => page.getByRole('status', { name: 'What was placed' })
const startOf = async (card: Locator) => {
  const [, h, m] = /(\d\d):(\d\d)/.exec(await card.innerText())!
  return Number(h) * 60 + Number(m)
}
const lengthOf = async (card: Locator) => Number(/(\d+) min/.exec(await card.innerText())![1])
/** A call that has just been taken. */
async function call(page: Page, unit: string, complaint: string): Promise<void> {
  const opened = jobEvent({
    type: 'opened',
    unit: `01900000-0000-7000-8000-000000000${unit}`,
    complaints: [complaint],
    words: '',
  })
  const answer = await page.request.post(`${place.url}/api/jobs/${uuidv7()}/events`, { data: { events: [opened] } })
  expect(await answer.json()).toMatchObject({ results: [{ status: 'accepted' }] })
}
const board = (page: Page) => page.goto(`${place.url}/shop/schedule`)

test('a day is planned without a hand leaving the keys: placed, moved, handed to somebody else, called off', async ({
  page,
}) => {
  await signIn(page, place)
  await call(page, '133', 'no-water')
  await call(page, '101', 'no-fill')
  await call(page, '114', 'no-water')
  await board(page)
  await expect(waiting(page)).toHaveCount(3)
  // Each into Joss's day, which stands first: the next begins when the one before is done and the way is made.
  for (const n of [2, 1, 0]) {
    await waiting(page).first().focus()
    await page.keyboard.press('ArrowRight')
    await expect(waiting(page)).toHaveCount(n)
  }
  const joss = lane(page, 'Joss E.')
  await expect(joss).toHaveCount(3)
  const [first, second, third] = [joss.nth(0), joss.nth(1), joss.nth(2)]
  expect(await startOf(first)).toBe(8 * 60)
  for (const [a, b] of [
    [first, second],
    [second, third],
  ] as const) {
    const free = (await startOf(a)) + (await lengthOf(a)) + 15
    expect((await startOf(b)) - free).toBeGreaterThanOrEqual(0)
    expect((await startOf(b)) - free).toBeLessThan(5)
  }
  // The one in focus moves with the arrows, and it is said where it went.
  await expect(third).toBeFocused()
  await expect(third).toContainText('D-6')
  await page.keyboard.press('ArrowUp')
  await expect(second).toContainText('D-6')
  await expect(second).toBeFocused()
  await expect(said(page)).toContainText(/D-6, kitchen: Joss E\., \d\d:\d\d/)
  await page.keyboard.press('ArrowRight')
  await expect(lane(page, 'Mara E.')).toHaveCount(1)
  await expect(joss).toHaveCount(2)
  await expect(page.getByText('Two visits at once')).toHaveCount(0)
  // Opened, and put where it cannot be: that is said, and it stays so until it is put right.
  await joss.nth(1).focus()
  await page.keyboard.press('Enter')
  const form = page.getByRole('form', { name: 'Visit' })
  await form.getByLabel('From').fill('08:10')
  await form.getByLabel('From').press('Enter')
  await expect(joss.nth(1)).toContainText('Two visits at once')
  await form.getByLabel('From').fill('25:10')
  await expect(form.getByRole('button', { name: 'Keep it' })).toBeDisabled()
  await form.getByLabel('From').fill('16:50')
  await form.getByLabel('From').press('Enter')
  await expect(joss.nth(1)).toContainText('Past the end of work')
  await form.getByRole('button', { name: 'Call it off' }).press('Enter')
  await expect(joss).toHaveCount(1)
  await expect(waiting(page)).toHaveCount(1)
})

test('a visit is dragged to somebody, stands in their Today, and is not overwritten by what was changed elsewhere', async ({
  page,
  browser,
}) => {
  await signIn(page, place)
  await call(page, '132', 'cold')
  await board(page)
  const card = waiting(page).filter({ hasText: 'E-10' })
  const target = page.getByRole('list', { name: 'Visits of Pim S.' })
  // A machine that is busy may let go of the card before it hangs on the pointer: it is taken up again.
  await expect(async () => {
    if (await lane(page, 'Pim S.').count()) return
    await card.hover()
    await page.mouse.down()
    const to = (await target.boundingBox())!
    await page.mouse.move(to.x + 40, to.y + 20, { steps: 12 })
    await page.mouse.move(to.x + 50, to.y + 30, { steps: 4 })
    await page.mouse.up()
    await expect(lane(page, 'Pim S.')).toHaveCount(1, { timeout: 5000 })
  }).toPass()
  await expect(lane(page, 'Pim S.')).toHaveCount(1)
  await expect(lane(page, 'Pim S.')).toContainText('E-10')
  await expect(card).toHaveCount(0)
  // Somebody else has it open as it was.
  const other = await (await browser.newContext()).newPage()
  await signIn(other, place, JOSS)
  await board(other)
  await lane(other, 'Pim S.').click()
  await page.reload()
  await lane(page, 'Pim S.').click()
  await page.getByRole('form', { name: 'Visit' }).getByLabel('To know').fill('Ring twice.')
  await page.getByRole('button', { name: 'Keep it' }).click()
  await expect(said(page)).toHaveText('Kept.')
  const form = other.getByRole('form', { name: 'Visit' })
  await form.getByLabel('From').fill('11:00')
  await form.getByRole('button', { name: 'Keep it' }).click()
  await expect(other.getByRole('alert').first()).toContainText('Somebody else has changed this visit meanwhile')
  await form.getByRole('button', { name: 'Show it as it is now' }).click()
  await expect(form.getByLabel('To know')).toHaveValue('Ring twice.')
  await pick(other.getByLabel('Who'), 'Joss E.')
  await form.getByLabel('From').fill('11:00')
  await form.getByRole('button', { name: 'Keep it' }).click()
  await expect(lane(other, 'Joss E.').filter({ hasText: '11:00' })).toHaveCount(1)
  await other.goto(`${place.url}/today`)
  const mine = other.getByRole('list', { name: 'Visits of today' }).getByRole('listitem')
  await expect(mine.filter({ hasText: 'E-10' })).toContainText('11:00')
  // Without a line it stands there as it was.
  await other.context().setOffline(true)
  await other.getByRole('link', { name: 'Jobs', exact: true }).click()
  await other.getByRole('link', { name: 'Today', exact: true }).click()
  await expect(mine.filter({ hasText: 'E-10' })).toContainText('11:00')
})

test('care is planned at the machine by its sheet or by its water, asks for a visit and comes round when it was done', async ({
  page,
}) => {
  await page.setViewportSize({ width: 390, height: 844 })
  await signIn(page, place)
  await page.goto(`${place.url}/machines/01900000-0000-7000-8000-000000000143`)
  const care = page.getByRole('region', { name: 'Care' })
  await care.getByRole('button', { name: /tank descaled/ }).click()
  await care.getByLabel('Descaling: by hardness and use').check()
  await care.getByRole('textbox', { name: 'Hardness' }).fill('15')
  await care.getByLabel('Litres a day').fill('40')
  await care.getByLabel('Lime it may gather').fill('1000')
  await expect(care).toContainText('That is every 93 days.')
  await care.getByLabel('Last done').fill('2020-01-01')
  await care.getByRole('button', { name: 'Keep it' }).click()
  await expect(care.getByRole('list', { name: 'Care plans' })).toContainText('days overdue')
  await board(page)
  await waiting(page).filter({ hasText: 'K-6' }).click()
  const form = page.getByRole('form', { name: 'Visit' })
  await form.getByRole('button', { name: 'Place it' }).click()
  await expect(waiting(page).filter({ hasText: 'K-6' })).toHaveCount(0)
  await page.getByRole('listitem').filter({ hasText: 'K-6' }).first().click()
  await form.getByRole('button', { name: 'Done', exact: true }).click()
  await page.goto(`${place.url}/machines/01900000-0000-7000-8000-000000000143`)
  await expect(care.getByRole('list', { name: 'Care plans' })).toContainText('due in 93 days')
})
