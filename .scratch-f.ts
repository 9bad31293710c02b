import { chromium } from '@playwright/test'
import config from './playwright.config'
import { openPlace, signIn, settled, makeSafe, enter } from './test/browser/place'
import { random } from './bench/random'
import { TrueMachine } from './bench/true-machine'
import { findShipped } from './cli/library'
import { openBench, sayReading, sayTest, dimensionOf } from './core/explain'
import { orThrow } from './core/issue'
import { readSheet } from './core/sheet'
const t0 = Date.now()
import { appendFileSync } from 'node:fs'
const log = (...x: unknown[]) => appendFileSync('/tmp/f.log', [((Date.now() - t0) / 1000).toFixed(1), ...x].join(' ') + '\n')
const { text, file } = findShipped('ulldale-f9')!
const { bench } = openBench(orThrow(readSheet(text, file, findShipped)))
const own = bench.machine.faults.find((f) => f.id === 'spout.stuck-open')!
const truth = new TrueMachine(bench, [{ fault: own, severity: undefined }], random(5), undefined, 0)
log('truth'); const c = truth.complaints(); log(c)
const place = await openPlace('scratch')
const browser = await chromium.launch(config.use!.launchOptions!)
const page = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage()
page.setDefaultTimeout(15000)
await signIn(page, place)
await page.goto(`${place.url}/jobs/new`)
await page.getByLabel('Find a machine').fill('uldale f9')
await page.screenshot({ path: '/tmp/shot-find.png' })
log('found', await page.locator('.choice').count())
await page.getByRole('button', { name: /F-9 flakes/ }).click()
await page.getByRole('button', { name: bench.machine.sheet.complaints.find((x) => x.id === c[0])!.says, exact: true }).click()
await page.screenshot({ path: '/tmp/shot-call.png' })
await page.getByRole('button', { name: 'Begin the job' }).click()
log('begun')
await settled(page)
log('settled'); await page.screenshot({ path: '/tmp/shot-1.png' })
for (let k = 0; k < 20 && !(await page.locator('.cause').count()); k++) {
  const title = await page.locator('.test h2').innerText()
  const p = bench.procedures.find((x) => sayTest(bench.machine, x) === title)!
  log(title, p?.id)
  await makeSafe(page)
  const v = truth.read(p); log(JSON.stringify(v))
  if (p.shape.takes === 'yes-no') await page.locator(`[data-answer=${v.is}]`).click()
  else await enter(page, sayReading(v, dimensionOf(p)))
  await settled(page)
  await page.waitForTimeout(150)
}
await page.screenshot({ path: '/tmp/shot-2.png' })
log('done')
await browser.close(); await place.close()
