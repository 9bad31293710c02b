import { chromium } from '@playwright/test'
import config from '../playwright.config'
import { callTo } from '../test/browser/machine'
import { choose, makeSafe, openPlace, signIn } from '../test/browser/place'
const browser = await chromium.launch(config.use!.launchOptions!)
const place = await openPlace('zz', { bare: false })
for (const [size, viewport] of [['l', { width: 1280, height: 800 }], ['p', { width: 390, height: 844 }]] as const) {
  const page = await (await browser.newContext({ viewport })).newPage()
  page.on('pageerror', (e) => console.log('PAGEERROR', e.message))
  await page.clock.install()
  await signIn(page, place)
  await callTo(page, place, 'laundry left', /laundry left/, 'No water comes in')
  await page.getByRole('navigation', { name: 'Steps of this job' }).getByRole('link', { name: 'Run' }).click()
  await page.getByRole('region', { name: 'Start a run' }).waitFor()
  await page.waitForTimeout(2500)
  await page.screenshot({ path: `/tmp/zz/run-start-${size}.png` })
  await page.getByRole('button', { name: 'It starts now' }).click()
  await page.getByRole('timer').waitFor()
  for (let i = 0; i < 3; i++) { await page.waitForTimeout(500); await page.keyboard.press('1'); if (size === 'p') await page.getByRole('button', { name: /Now:/ }).first().click() }
  await page.clock.fastForward(70_000)
  await page.waitForTimeout(1500)
  await page.screenshot({ path: `/tmp/zz/run-on-${size}.png` })
  await page.goto(`${place.url}/tools/tables`); await page.waitForTimeout(800)
  await page.screenshot({ path: `/tmp/zz/tables-${size}.png` })
  await page.goto(`${place.url}/tools/ear`); await page.waitForTimeout(800)
  await page.screenshot({ path: `/tmp/zz/ear-${size}.png` })
  await callTo(page, place, 'n-5', /N-5/, 'It beeps two at a time, and its reservoir is dry')
  await choose(page, 'Work the lower float 10 times')
  await makeSafe(page)
  await page.getByText('Reckon it').click()
  await page.getByRole('button', { name: 'Float cycles' }).click()
  await page.getByLabel('Times worked').fill('10'); await page.getByLabel('Misses').fill('1')
  await page.waitForTimeout(600)
  await page.screenshot({ path: `/tmp/zz/reckon-${size}.png` })
}
await browser.close(); await place.close(); process.exit(0)
