import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { chromium, expect, test, type Browser } from '@playwright/test'
import config from '../../playwright.config'
import { dimensionOf } from '../../core/diagnosis/catalogue'
import { formatReading } from '../../core/words'
import { DrawnMachine, random } from '../../core/truth'
import { hum, noise, RATE, seconds } from '../core/hearing/sounds'
import { brokenMachine, callTo } from './machine'
import { choose, enter, hold, jobOf, makeSafe, openPlace, pick, readings, settled, signIn, type Place } from './place'
import { writeWave } from './wave-file'

let place: Place
test.beforeAll(async () => {
  place = await openPlace('ear')
})
test.afterAll(() => place.close())

/** The sound at the brewer: quiet, a hum to be taught by, quiet, then the valve for as long as it really runs. */
const LESSON = { from: 18, to: 40 }
const CALLED = 62

/** A browser whose microphone hears a file, over and over. */
async function hearing(samples: Float32Array): Promise<{ browser: Browser; end(): Promise<void> }> {
  const folder = mkdtempSync(join(tmpdir(), 'ear-'))
  const file = join(folder, 'microphone.wav')
  writeWave(file, samples, RATE)
  const own = config.use!.launchOptions!
  const browser = await chromium.launch({
    ...own,
    args: [
      ...(own.args ?? []),
      '--use-fake-device-for-media-stream',
      '--use-fake-ui-for-media-stream',
      `--use-file-for-fake-audio-capture=${file}`,
    ],
  })
  return {
    browser,
    end: async () => {
      await browser.close()
      rmSync(folder, { recursive: true })
    },
  }
}

test('a timed brewer is found short by ear and by the pot, no hand free', async () => {
  test.setTimeout(300_000)
  const { engine, says } = brokenMachine('tarvost-k6', 'runs-short')
  const { machine, catalogue } = engine
  const fault = machine.faults.find((f) => f.id === 'runs-short')!
  const truth = new DrawnMachine(catalogue, [{ fault, severity: 0.3 }], random(3), 'none', 0)
  const timed = catalogue.procedures.find((p) => p.id === 'runs-for')!
  const ran = truth.exact(timed)
  if (ran.type !== 'value') throw new Error('the valve does not run for a time')

  const quiet = noise(seconds(CALLED + ran.si + 30), 0.01, 1)
  const taught = hum(quiet, 50, 0.012, LESSON.from, LESSON.to)
  const { browser, end } = await hearing(hum(taught, 50, 0.012, CALLED, CALLED + ran.si))
  const page = await (await browser.newContext()).newPage()
  await signIn(page, place)
  await callTo(page, place, 'k6', /K-6/, says)
  await page.getByRole('navigation', { name: 'Steps of this job' }).getByRole('link', { name: 'Run' }).click()
  const start = page.getByRole('region', { name: 'Start a run' })
  await pick(start.getByRole('combobox', { name: 'Program' }), /water alone/)
  const steps = start.getByRole('region', { name: 'Make safe' }).getByRole('button', { name: /^Done: / })
  while (await steps.count()) await hold(page, steps.first())

  const ear = page.getByRole('region', { name: 'Listening' })
  await pick(ear.getByRole('combobox', { name: 'What it is that is heard' }), 'Dispense valve: water runs through it')
  await ear.getByRole('button', { name: 'Open the microphone' }).click()
  const opened = Date.now()
  const until = (s: number) => page.waitForTimeout(Math.max(0, opened + s * 1000 - Date.now()))
  await expect(ear).toContainText('gain control are off')
  await until(3)
  await ear.getByRole('button', { name: 'Without it' }).click()
  await expect(ear.getByRole('button', { name: 'Without it: again' })).toBeVisible()
  await until(LESSON.from + 6)
  await ear.getByRole('button', { name: 'With it' }).click()
  await expect(ear.getByLabel('How well it hears')).toContainText('± 0.2 s')
  await until(LESSON.to + 6)
  await expect(ear.getByRole('status')).toHaveText('no hum')
  await start.getByRole('button', { name: 'It starts now' }).click()
  await until(CALLED + 6)
  await expect(ear.getByRole('status')).toHaveText('hum heard')
  await until(CALLED + ran.si + 6)
  await expect(ear.getByRole('status')).toHaveText('no hum')
  await page.getByRole('button', { name: 'End the run' }).click()

  const line = page
    .getByRole('region', { name: 'What this run says' })
    .getByRole('listitem')
    .filter({ hasText: 'Time how long water runs into the tank' })
  const heard = Number(/([\d.]+) s/.exec(await line.innerText())![1])
  // Each end is told to a fifth of a second.
  expect(Math.abs(heard - ran.si)).toBeLessThan(0.4)
  await line.getByRole('button', { name: 'Enter' }).click()
  await expect(line).toContainText('entered')
  const kept = await place.sql(
    "SELECT payload->>'noticed' AS by FROM job_events WHERE job_id = $1 AND payload->>'type' = 'marked'",
    [jobOf(page)],
  )
  expect(kept.map((k) => k.by)).toContain('ear')
  await page.getByRole('link', { name: 'Find' }).click()
  await settled(page)
  await expect(readings(page)).toHaveCount(1)
  // The pot says the same.
  const pot = catalogue.procedures.find((p) => p.id === 'pot-depth')!
  await choose(page, engine.titleOf(pot))
  await makeSafe(page)
  await enter(page, formatReading(truth.exact(pot), dimensionOf(pot)))
  await expect(readings(page)).toHaveCount(2)
  await settled(page)
  await expect(page.getByRole('region', { name: 'Suspects' })).toContainText(/timer dial runs off too soon/i)
  await end()
})

test('without a microphone it is said what to do', async ({ page }) => {
  await signIn(page, place)
  await page.goto(`${place.url}/tools/ear`)
  await page.getByRole('button', { name: 'Open the microphone' }).click()
  await expect(page.getByRole('alert')).toContainText(/not allowed|no microphone/)
})
