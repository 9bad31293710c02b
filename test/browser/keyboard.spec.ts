import { expect, test, type Locator, type Page } from '@playwright/test'
import { brokenMachine, procedureOn } from './machine'
import { answer, cause, openPlace, readings, remedies, settled, signIn, type Place } from './place'
import { dimensionOf } from '../../core/diagnosis/catalogue'
import { formatReading } from '../../core/words'

let place: Place
test.beforeAll(async () => {
  place = await openPlace('keyboard')
})
test.afterAll(() => place.close())

/** Goes on with the Tab key until what has the focus is called so. */
async function tabTo(page: Page, name: RegExp): Promise<void> {
  const focused = () =>
    page.evaluate(() => {
      const el = document.activeElement as HTMLElement | null
      if (el === document.body) return ''
      const labels = el instanceof HTMLInputElement ? [...(el.labels ?? [])].map((l) => l.innerText).join(' ') : ''
      return `${el?.getAttribute('aria-label') ?? ''} ${labels} ${el?.innerText ?? ''}`
    })
  for (let i = 0; i < 60; i++) {
    if (name.test(await focused())) return
    await page.keyboard.press('Tab')
  }
  throw new Error(`no way by the Tab key to ${String(name)}`)
}

/** Holds the safety steps by key, one after another, until what they are for may be done. */
async function holdSteps(page: Page, ready: Locator): Promise<void> {
  const next = page.getByRole('region', { name: 'Make safe' }).getByRole('button', { name: /^Done: / })
  for (;;) {
    await expect(ready.or(next).first()).toBeVisible()
    if (await ready.count()) return
    const step = next.filter({ hasText: (await next.innerText()).split('\n')[0] })
    await page.keyboard.down('s')
    await expect(step).toHaveCount(0)
    await page.keyboard.up('s')
  }
}

test('from the doorstep to one thing to do without a hand leaving the keys', async ({ page }) => {
  const { engine, truth, says, repairs } = brokenMachine('brindlow-d6', 'fill-valve.coil-open')
  await signIn(page, place)
  await page.keyboard.press('n')
  await expect(page.getByLabel('Find a machine')).toBeVisible()
  await tabTo(page, /Find a machine/)
  await page.keyboard.type('d6 kitchen')
  await tabTo(page, /D-6, kitchen/)
  await page.keyboard.press('Enter')
  await tabTo(page, new RegExp(`^\\s*${says}`))
  await page.keyboard.press('Space')
  await tabTo(page, /Begin the job/)
  await page.keyboard.press('Enter')
  await expect(page.getByRole('button', { name: 'Go on: find the cause' })).toBeVisible()
  await tabTo(page, /Go on: find the cause/)
  await page.keyboard.press('Enter')
  await settled(page)
  for (let k = 0; k < 24 && !(await cause(page).count()); k++) {
    if (await page.getByRole('button', { name: /^Clear enough now/ }).count()) {
      await tabTo(page, /^\s*Clear enough now/)
      await page.keyboard.press('Enter')
      await settled(page)
      continue
    }
    const procedure = await procedureOn(page, engine)
    const form = page.getByRole('form', { name: 'Enter what it shows' })
    await holdSteps(page, form)
    await expect(form).not.toHaveAttribute('aria-disabled')
    const value = truth.read(procedure)
    const before = await readings(page).count()
    if (procedure.shape.type === 'yes-no') {
      if (value.type === 'never') {
        await tabTo(page, /It never came to that/)
        await page.keyboard.press('Enter')
      } else await page.keyboard.press(value.type === 'yes' ? 'y' : 'x')
      await expect(answer(page, value.type).or(readings(page)).first()).toBeVisible()
    } else {
      await page.keyboard.press('r')
      await page.keyboard.type(formatReading(value, dimensionOf(procedure)))
      await page.keyboard.press('Enter')
      await page.keyboard.press('Escape')
    }
    await expect(readings(page)).toHaveCount(before + 1)
    await settled(page)
  }
  await expect(remedies(page).first()).toContainText(repairs[0]!.title, { ignoreCase: true })
  // What has just come is bound to nobody's answer yet.
  await page.waitForTimeout(700)
  await tabTo(page, /Go on: decide what to do/)
  await page.keyboard.press('Enter')
  const options = page.getByRole('radiogroup', { name: 'Repairs' })
  await expect(options.getByRole('radio', { name: repairs[0]!.title })).toBeVisible()
  await page.waitForTimeout(700)
  await tabTo(page, /Go on: do this repair/)
  await page.keyboard.press('Enter')
  await holdSteps(page, page.getByRole('list', { name: 'Steps' }))
  await tabTo(page, /Go on: prove it/)
  await page.keyboard.press('Enter')
  await tabTo(page, /^It holds: meter proved/)
  await page.keyboard.press('Enter')
  await expect(page.getByRole('button', { name: /^Undo meter proved/ })).toBeVisible()
})
