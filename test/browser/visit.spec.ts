import { expect, test, type Page } from '@playwright/test'
import {
  answer,
  choose,
  enter,
  hold,
  JOSS,
  makeSafe,
  openCall,
  openPlace,
  part,
  readings,
  settled,
  signIn,
  testTitle,
  type Place,
} from './place'

let place: Place
test.beforeAll(async () => {
  place = await openPlace('visit')
})
test.afterAll(() => place.close())

const pill = (page: Page, words: RegExp) => page.getByRole('button', { name: words })
const safe = (page: Page) => page.getByRole('region', { name: 'Make safe' })

test('the call: words that mean a complaint, what stands there as found, without a connection, and told anew', async ({
  page,
}) => {
  await signIn(page, place)
  await page.goto(`${place.url}/jobs/new`)
  await page.getByLabel('Find a machine').fill('d 6')
  await page.getByRole('button', { name: /D-6, kitchen/ }).click()
  await page.getByRole('textbox', { name: /own words/ }).fill('the dishes come out cold')
  await page.getByRole('button', { name: /dishes come out cold/ }).click()
  await page.getByRole('button', { name: 'Begin the job' }).click()
  const found = page.getByRole('region', { name: 'As found' })
  await expect(found.getByRole('list', { name: 'Also noted' }).getByRole('listitem').first()).toBeVisible()
  const asked = found.getByRole('list', { name: 'As found' })
  await expect(asked.getByRole('listitem').first()).toBeVisible()
  await expect(page.getByRole('region', { name: 'At once' })).toContainText('To carry')
  await expect(page.getByRole('region', { name: 'On the phone' })).toContainText('Open no panel')
  // The connection is gone: what is looked at is kept all the same.
  await page.context().setOffline(true)
  const first = asked.getByRole('listitem').first()
  const title = await first.getByRole('strong').first().innerText()
  await first.getByRole('button').first().click()
  await expect(found.getByRole('button', { name: `Undo ${title}` })).toBeVisible()
  await page.getByRole('textbox', { name: 'In their own words' }).fill('cold since Tuesday')
  await page.getByRole('button', { name: 'Keep these words' }).click()
  await page.context().setOffline(false)
  await page.getByRole('button', { name: 'Go on: find the cause' }).click()
  await settled(page)
  await expect(readings(page)).toHaveCount(1)
  await page.getByRole('button', { name: /dishes come out cold/ }).click()
  await expect(page.getByText('“cold since Tuesday”')).toBeVisible()
  await page.reload()
  await settled(page)
  await page.getByRole('button', { name: /dishes come out cold/ }).click()
  await expect(page.getByText('“cold since Tuesday”')).toBeVisible()
})

test('what this machine has besides is told at the call, and what tests it has the server takes', async ({ page }) => {
  await signIn(page, place)
  await page.goto(`${place.url}/jobs/new`)
  await page.getByRole('button', { name: /S-8/ }).first().click()
  await page
    .getByRole('button', { name: /does not heat|no steam/i })
    .first()
    .click()
  await page.getByRole('button', { name: 'Begin the job' }).click()
  const fitted = page.getByRole('group', { name: 'Fitted on this machine' }).getByRole('button')
  await expect(fitted).toHaveAttribute('aria-pressed', 'false')
  await fitted.click()
  await expect(fitted).toHaveAttribute('aria-pressed', 'true')
  await page.getByRole('button', { name: 'Go on: find the cause' }).click()
  await settled(page)
  await page.getByRole('region', { name: 'All tests' }).getByLabel('Search tests').fill('float cut-off')
  await page
    .getByRole('region', { name: 'All tests' })
    .getByRole('button', { name: /^Ohms|Ohms of the float/ })
    .first()
    .click()
  await expect(testTitle(page)).toContainText('float cut-off')
  await makeSafe(page)
  await enter(page, 'OL')
  await expect(readings(page).first()).toContainText('float cut-off')
  await page.reload()
  await settled(page)
  await expect(readings(page).first()).toContainText('float cut-off')
  await page.getByRole('region', { name: 'All tests' }).getByLabel('Search tests').fill('float cut-off')
  await expect(page.getByRole('region', { name: 'All tests' }).getByRole('button').first()).toContainText(
    'float cut-off',
  )
  await expect(page.getByText('Not taken by the server')).toHaveCount(0)
  // As the sheet says again: the part carries no suspicion, and what was read of it is kept and judged no more.
  await page.getByRole('link', { name: 'Call' }).click()
  await fitted.click()
  await expect(fitted).toHaveAttribute('aria-pressed', 'false')
})

test('safety is held, not clicked; the state says what was done; a reading that cannot be is said at the field', async ({
  page,
}) => {
  await signIn(page, place)
  await openCall(page, place, 'No water comes in')
  await expect(pill(page, /^Treat as live/)).toBeVisible()
  await choose(page, 'Volts at the cold valve')
  const step = safe(page).getByRole('button').first()
  const name = await step.innerText()
  // A tap is no act; nor is a key let go too soon.
  await step.click()
  await page.keyboard.press('s')
  await page.waitForTimeout(1200)
  expect(await step.innerText()).toBe(name)
  await page.keyboard.down('s')
  await page.waitForTimeout(1200)
  await page.keyboard.up('s')
  await expect(step).not.toHaveText(name)
  await makeSafe(page)
  await expect(pill(page, /^Proved dead/)).toBeVisible()
  // Undone, it takes what rested on it, and nothing brings it back.
  await page.getByRole('link', { name: 'Safe' }).click()
  await page.getByRole('button', { name: /^Undo Pull the mains plug/ }).click()
  await expect(pill(page, /^Treat as live/)).toBeVisible()
  await page.getByRole('link', { name: 'Find' }).click()
  expect((await makeSafe(page)).length).toBeGreaterThanOrEqual(4)
  for (const [typed, said] of [
    ['5000', /cannot stand there/],
    ['-12', /no sign/],
  ] as const) {
    await enter(page, typed)
    await expect(page.getByRole('alert')).toContainText(said)
    await expect(page.getByLabel('Reading', { exact: true })).toHaveValue(typed)
    await expect(readings(page)).toHaveCount(0)
  }
  await enter(page, '118')
  await expect(readings(page)).toHaveCount(1)
  await expect(pill(page, /^Live/)).toBeVisible()
})

test('two people: a question stays while the other works, is not asked twice, and power waits for everybody’s hands', async ({
  page,
  browser,
}) => {
  await signIn(page, place)
  const job = await openCall(page, place, 'No water comes in')
  const other = await (await browser.newContext()).newPage()
  await signIn(other, place, JOSS)
  await other.goto(`${place.url}/jobs/${job}/find`)
  await settled(other)
  const asked = await testTitle(page).innerText()
  // Joss answers something else: what Mara reads stays.
  await choose(other, 'Cold hose: look whether it is kinked')
  await makeSafe(other)
  await answer(other, 'no').click()
  await expect(readings(page)).toHaveCount(1)
  await expect(readings(page).first()).toContainText('Joss')
  await settled(page)
  await expect(testTitle(page)).toHaveText(asked)
  // Joss answers what Mara has before her: it is not asked again.
  await choose(other, asked)
  await makeSafe(other)
  await other.getByRole('button', { name: 'LF', exact: true }).click()
  await expect(readings(page)).toHaveCount(2)
  await expect(testTitle(page)).not.toHaveText(asked)
  // Mara's hands are in: Joss gets no power.
  await choose(page, 'Ohms of the cold valve')
  await makeSafe(page)
  await choose(other, 'Volts at the cold valve')
  await expect(other.getByRole('note', { name: 'Not for you' })).toContainText('Mara E. has hands in')
  await page.getByRole('link', { name: 'Safe' }).click()
  await hold(page, page.getByRole('button', { name: /^Done: Check the opened machine/ }))
  await expect(safe(other)).toBeVisible()
  await other.context().close()
})

test('a job stops without a cause: a remark, left waiting, ended; never with a jumper in', async ({ page }) => {
  await signIn(page, place)
  await openCall(page, place, 'No water comes in')
  await page.getByLabel('A remark').fill('lid hinge is loose')
  await page.getByRole('radio', { name: 'for the customer' }).click()
  await page.getByRole('button', { name: 'Note it' }).click()
  await expect(page.getByRole('region', { name: 'Remarks' })).toContainText('for the customer')
  await page.getByText('Stop without a cause').click()
  await page.getByLabel('Waits for a part').check()
  await page.getByLabel('What to know about it').fill('valve ordered, tap shut')
  await page.getByRole('button', { name: 'Leave it waiting' }).click()
  await expect(page.getByRole('note', { name: 'Waiting' })).toContainText('valve ordered, tap shut')
  await page.getByLabel('The customer cancelled').check()
  await page.getByRole('button', { name: 'End the job so' }).click()
  await expect(page.getByLabel('Closed')).toContainText('The customer cancelled')
})

test('a part that was cleared says by what, and the orders of work stand side by side', async ({ page }) => {
  await signIn(page, place)
  await openCall(page, place, 'No water comes in')
  const why = page.getByRole('status', { name: 'Why not this part' })
  await part(page, 'cold output').click()
  await expect(why).toContainText('still suspected')
  await page.getByRole('button', { name: 'All tests' }).click()
  await choose(page, 'Volts at the cold valve')
  await makeSafe(page)
  await enter(page, '118')
  await settled(page)
  await part(page, 'cold output').click()
  await expect(why).toContainText('Why not the cold output? Volts at the cold valve: 118 V.')
  await page.getByText(/^Order: /).click()
  await page.getByRole('button', { name: 'Compare the orders' }).click()
  const orders = page.getByRole('list', { name: 'The orders compared' }).getByRole('listitem')
  await expect(orders.first()).toContainText('what saves most: begins with')
  expect(await orders.count()).toBeGreaterThan(2)
})
