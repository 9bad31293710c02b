import { expect, test } from '@playwright/test'
import { brokenMachine, callTo, takeNext } from './machine'
import { axeViolations, leastLineContrast, measureTurn, newTurn, tabStops, watchPage } from './measure'
import { atCause, cause, openPlace, readings, settled, signIn, testCard, type Place } from './place'

let place: Place
test.beforeAll(async () => {
  place = await openPlace('turns')
})
test.afterAll(() => place.close())

for (const { sheet, machine, asked, fault, size, look } of [
  { sheet: 'brindlow-d6', machine: /D-6, kitchen/, asked: 'd 6', fault: 'heater.open', size: 'laptop', look: 'light' },
  { sheet: 'quenby-c40', machine: /C-40/, asked: 'quenby c4O', fault: 'float.stuck-open', size: 'phone', look: 'dark' },
  { sheet: 'orrisk-tl40', machine: /left/, asked: 'tl40 lft', fault: 'lid.stuck-open', size: 'landscape', look: 'sun' },
] as const)
  test(`${sheet}, ${size}, ${look}: at every turn the act is at hand, nothing moves that was read, a second tap enters nothing`, async ({
    browser,
  }) => {
    const viewport = {
      laptop: { width: 1280, height: 800 },
      phone: { width: 390, height: 844 },
      landscape: { width: 844, height: 390 },
    }[size]
    const page = await (await browser.newContext({ viewport, hasTouch: size !== 'laptop' })).newPage()
    await page.addInitScript((own) => localStorage.setItem('duckweed:look', own), look)
    await watchPage(page)
    const { engine, truth, says } = brokenMachine(sheet, fault)
    await signIn(page, place)
    await callTo(page, place, asked, machine, says)
    await newTurn(page)
    for (let k = 0; k < 12 && !(await atCause(page)); k++) {
      await page.waitForTimeout(700)
      const { atHand, exchanged, contradictions, labels, lines } = await measureTurn(page, k ? 1 : 0)
      const where = `turn ${k + 1}: ${await testCard(page).getAttribute('aria-label')}`
      expect({ atHand, exchanged, contradictions, labels, lines }, where).toEqual({
        atHand: true,
        exchanged: 0,
        contradictions: [],
        labels: [],
        lines: 0,
      })
      if (k === 0) {
        expect(await axeViolations(page)).toEqual([])
        expect(await leastLineContrast(page)).toBeGreaterThanOrEqual(3)
        expect(await tabStops(page)).toBeLessThanOrEqual(5)
        await page.keyboard.press('Escape')
      }
      const before = await readings(page).count()
      await newTurn(page)
      const at = await takeNext(page, engine, truth)
      await page.waitForTimeout([120, 200, 350][k % 3]!)
      if (at) await page.mouse.click(at.x, at.y)
      await page.keyboard.press('Enter')
      await settled(page)
      await expect(readings(page)).toHaveCount(before + 1)
    }
    await expect(cause(page)).toBeVisible()
    expect(await axeViolations(page)).toEqual([])
    // What to do comes where the answers were: a tap that was meant for them goes on to nothing.
    await page.reload()
    const on = page.getByRole('button', { name: 'Go on: decide what to do' })
    // In the very frame in which it comes.
    await page.waitForFunction(
      () => {
        const button = [...document.querySelectorAll('button')].find((b) => b.textContent?.includes('Go on: decide'))
        button?.click()
        return button !== undefined
      },
      undefined,
      { polling: 'raf' },
    )
    await page.waitForTimeout(300)
    await expect(page).toHaveURL(/\/find$/)
    await page.waitForTimeout(700)
    // Nor does the second half of a double tap decide anything.
    await on.dblclick()
    await expect(page.getByRole('radiogroup', { name: 'Repairs' })).toBeVisible()
    await page.waitForTimeout(300)
    await expect(page).toHaveURL(/\/decide$/)
    expect(await axeViolations(page)).toEqual([])
    await page.context().close()
  })
