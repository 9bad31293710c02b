import { chromium } from '@playwright/test'
import config from '../playwright.config'
import { callTo } from '../test/browser/machine'
import { openPlace, signIn } from '../test/browser/place'
const browser = await chromium.launch(config.use!.launchOptions!)
const place = await openPlace('zz', { bare: false })
for (const [size, viewport] of [['l', { width: 1280, height: 800 }], ['p', { width: 390, height: 844 }]] as const) {
  const page = await (await browser.newContext({ viewport })).newPage()
  page.on('pageerror', (e) => console.log('PAGEERROR', e.message))
  page.on('console', (m) => m.type() === 'error' && console.log('CONSOLE', m.text()))
  await signIn(page, place)
  await callTo(page, place, 'laundry left', /laundry left/, 'No water comes in')
  await page.goto(page.url().replace(/\/[a-z]+$/, '/run'))
  await page.getByRole('region', { name: 'Start a run' }).waitFor()
  await page.waitForTimeout(2500)
  await page.screenshot({ path: `/tmp/zz/run-start-${size}.png` })
  // safety
  for (let i = 0; i < 8; i++) {
    const done = page.getByRole('region', { name: 'Start a run' }).getByRole('button', { name: /^Done:/ })
    if (!(await done.count())) break
    await done.first().hover()
    await page.mouse.down(); await page.waitForTimeout(1200); await page.mouse.up(); await page.waitForTimeout(300)
  }
  await page.getByRole('button', { name: 'It starts now' }).click()
  await page.getByRole('timer').waitFor()
  await page.waitForTimeout(1500)
  await page.keyboard.press('1')
  await page.waitForTimeout(800)
  await page.keyboard.press('1')
  await page.waitForTimeout(6000)
  await page.screenshot({ path: `/tmp/zz/run-on-${size}.png` })
  await page.getByRole('button', { name: 'End the run' }).click()
  await page.waitForTimeout(1500)
  await page.screenshot({ path: `/tmp/zz/run-over-${size}.png`, fullPage: true })
}
await browser.close()
await place.close()
process.exit(0)
