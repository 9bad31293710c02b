import { expect, test, type Page } from '@playwright/test'
import { random } from '../../bench/random'
import { TrueMachine } from '../../bench/true-machine'
import { findShipped } from '../../cli/library'
import { openBench, sayReading, sayTest, dimensionOf } from '../../core/explain'
import { orThrow } from '../../core/issue'
import { readSheet } from '../../core/sheet'
import { enter, makeSafe, openPlace, settled, signIn, type Place } from './place'

let place: Place
test.beforeAll(async () => {
  place = await openPlace('families')
})
test.afterAll(() => place.close())

const MOST_TESTS = 24
test.use({ actionTimeout: 20_000 })

/** Takes the test on the card at the machine that really stands there, and writes down what it shows. */
async function takeNext(page: Page, bench: ReturnType<typeof openBench>['bench'], truth: TrueMachine): Promise<void> {
  const title = await page.locator('.test h2').innerText()
  const procedure = bench.procedures.find((p) => sayTest(bench.machine, p) === title)
  if (!procedure) throw new Error(`no test is called ${title}`)
  await makeSafe(page)
  const value = truth.read(procedure)
  const answer = page.locator(`[data-answer=${value.is}]`)
  if (procedure.shape.takes === 'yes-no') await answer.click()
  else await enter(page, sayReading(value, dimensionOf(procedure)))
}

for (const { sheet, machine, asked, fault } of [
  { sheet: 'ulldale-f9', machine: /F-9 flakes/, asked: 'uldale f9', fault: 'spout.stuck-open' },
  { sheet: 'brindlow-s12', machine: /S-12 steamer/, asked: 'brindlow s12', fault: 'boiler-low.scaled' },
  { sheet: 'ulldale-g6', machine: /G-6, six zones/, asked: 'maritime six', fault: 'common-b.broken' },
  { sheet: 'brindlow-d6', machine: /D-6, kitchen/, asked: 'D6 dishwasher', fault: 'heater.open' },
])
  test(`${sheet}: from the call to the cause, with what the machine shows`, async ({ page }) => {
    test.setTimeout(420_000)
    const { text, file } = findShipped(sheet)!
    const { bench } = openBench(orThrow(readSheet(text, file, findShipped)))
    const own = bench.machine.faults.find((f) => f.id === fault)!
    const truth = new TrueMachine(bench, [{ fault: own, severity: undefined }], random(5), undefined, 0)
    const [complaint] = truth.complaints()
    await signIn(page, place)
    await page.goto(`${place.url}/jobs/new`)
    await page.getByLabel('Find a machine').fill(asked)
    await page.getByRole('button', { name: machine }).click()
    const says = bench.machine.sheet.complaints.find((c) => c.id === complaint)!.says
    await page.getByRole('button', { name: says, exact: true }).click()
    await page.getByRole('button', { name: 'Begin the job' }).click()
    await settled(page)
    const wholeMachine = page.getByRole('button', { name: 'Whole machine' })
    if (await wholeMachine.count()) {
      const few = await page.locator('.node').count()
      await wholeMachine.click()
      expect(await page.locator('.node').count()).toBeGreaterThan(few)
    }
    const repair = bench.machine.sheet.repairs[own.repair]
    for (let k = 0; k < MOST_TESTS && !(await page.locator('.cause').count()); k++) {
      await takeNext(page, bench, truth)
      await expect(page.locator('.history li')).toHaveCount(k + 1)
      await settled(page)
    }
    await expect(page.locator('.cause')).toBeVisible()
    await expect(page.locator('.remedy').first()).toContainText(repair.title)
    await page.getByRole('button', { name: /close the job/ }).click()
    await expect(page.getByLabel('Closed')).toContainText(repair.title)
  })

test('a code looked up by its lamps is the first reading', async ({ page }) => {
  await signIn(page, place)
  await page.goto(`${place.url}/jobs/new`)
  await page.getByLabel('Find a machine').fill('2 beeps')
  await expect(page.locator('.choice')).toHaveCount(1)
  await expect(page.locator('.choice')).toContainText('A1')
  await page.locator('.choice').click()
  await page.getByRole('button', { name: /^A1/ }).click()
  await page.getByRole('button', { name: 'No water comes in' }).click()
  await page.getByRole('button', { name: 'Begin the job' }).click()
  await settled(page)
  await expect(page.locator('.history li')).toHaveCount(1)
  await expect(page.locator('.history')).toContainText('A1')
  await page.goto(`${place.url}/jobs/new`)
  await page.getByLabel('Find a machine').fill('no such thing anywhere')
  await expect(page.getByText('Nothing fits')).toBeVisible()
})
