import { expect, test, type Page } from '@playwright/test'
import { axeViolations } from './measure'
import { choose, makeSafe, openCall, openPlace, readings, settled, signIn, type Place } from './place'

let place: Place
test.beforeAll(async () => {
  place = await openPlace('at-hand')
})
test.afterAll(() => place.close())

const busy = (page: Page) => page.getByRole('dialog', { name: 'Hands busy' })
/** What has been spoken since it was asked last. */
const spoken = (page: Page) =>
  page.evaluate(() => (window as unknown as { spoken: string[] }).spoken.splice(0).join(' | '))
const say = (page: Page, words: string) =>
  page.evaluate((w) => (window as unknown as { hear(w: string): void }).hear(w), words)

/** A device with a voice, whose own recognition of speech is there or not. */
async function withVoice(page: Page, recognises: string): Promise<void> {
  await page.addInitScript((available) => {
    const own = window as unknown as Record<string, unknown>
    const spoken: string[] = []
    own.spoken = spoken
    Object.defineProperty(window, 'speechSynthesis', {
      value: {
        cancel: () => undefined,
        speak: (u: SpeechSynthesisUtterance) => {
          spoken.push(u.text)
          setTimeout(() => u.onend?.(new Event('end') as SpeechSynthesisEvent), 10)
        },
      },
    })
    class Recognition extends EventTarget {
      static available = () => Promise.resolve(available)
      onresult: ((event: unknown) => void) | null = null
      start = () => {
        own.hear = (said: string) =>
          this.onresult?.({
            resultIndex: 0,
            results: [Object.assign([{ transcript: said }], { isFinal: true })],
          })
      }
      abort = () => undefined
    }
    own.SpeechRecognition = Recognition
  }, recognises)
}
/** A touch of so many milliseconds on a button, as a finger or a drop makes it. */
const touch = (page: Page, name: string, milliseconds: number) =>
  busy(page)
    .getByRole('button', { name, exact: true })
    .evaluate(async (button, ms) => {
      const at = { pointerId: 7, pointerType: 'touch', bubbles: true, clientX: 50, clientY: 50 }
      button.dispatchEvent(new PointerEvent('pointerdown', at))
      await new Promise((go) => setTimeout(go, ms))
      button.dispatchEvent(new PointerEvent('pointerup', at))
      button.dispatchEvent(new PointerEvent('click', at))
    }, milliseconds)

test('with no hand free: spoken danger first, answered by finger, pedal or voice, never for safety', async ({
  page,
}) => {
  await withVoice(page, 'available')
  await page.setViewportSize({ width: 390, height: 844 })
  await signIn(page, place)
  await openCall(page, place, 'No water comes in')
  await choose(page, 'Ohms of the cold valve')
  await page.keyboard.press('h')
  await expect(busy(page).getByRole('note', { name: 'Not from here' })).toContainText('Make it safe first')
  await expect(busy(page).getByRole('form', { name: 'Answer' })).toHaveCount(0)
  await page.keyboard.press('Escape')
  await makeSafe(page)
  await spoken(page)
  await page.getByRole('button', { name: 'Hands busy' }).click()
  expect(await spoken(page)).toMatch(/Prove dead.*Ohms of the cold valve.*one probe on each/)
  expect(await axeViolations(page)).toEqual([])
  // A drop of water writes nothing, a finger does.
  await touch(page, '8', 5)
  await expect(busy(page).getByLabel('Understood')).toHaveText('–')
  for (const key of ['8', '1', '4']) await touch(page, key, 90)
  await expect(busy(page).getByLabel('Understood')).toHaveText('814 Ω')
  const size = await busy(page)
    .getByLabel('Understood')
    .evaluate((el) => getComputedStyle(el).fontSize)
  expect(size).toBe('96px')
  await touch(page, 'Enter', 90)
  await expect(readings(page)).toHaveCount(1)
  await expect.poll(() => spoken(page)).toMatch(/814 Ω/)

  // A number that is heard is read back, and entered on a yes alone.
  await page.keyboard.press('Escape')
  await choose(page, 'Ohms of the hot valve')
  await makeSafe(page)
  await page.getByRole('button', { name: 'Hands busy' }).click()
  await busy(page).getByRole('button', { name: 'Listen to me' }).click()
  await page.waitForTimeout(700)
  await spoken(page)
  await say(page, 'eight hundred and nine ohms')
  await expect.poll(() => spoken(page)).toContain('809 Ω. Yes to enter it.')
  await say(page, 'no')
  await expect(busy(page).getByLabel('Understood')).toHaveText('–')
  await expect(readings(page)).toHaveCount(1)
  await say(page, 'five thousand million blue')
  await expect(busy(page).getByLabel('Understood')).toHaveText('–')
  await page.waitForTimeout(100)
  await say(page, '809')
  await expect(busy(page).getByLabel('Understood')).toHaveText('809 Ω')
  await page.waitForTimeout(100)
  await say(page, 'yes')
  await expect(readings(page)).toHaveCount(2)
  await expect(busy(page)).toHaveAttribute('aria-busy', 'false')
  await say(page, 'undo')
  await expect(readings(page)).toHaveCount(1)

  // A pedal answers yes and no.
  await page.keyboard.press('Escape')
  await settled(page)
  await choose(page, 'Cold hose: look whether it is kinked')
  await page.getByRole('button', { name: 'Hands busy' }).click()
  await page.waitForTimeout(700)
  await page.keyboard.press('PageUp')
  await expect(readings(page)).toHaveCount(2)
  await expect(readings(page).first()).toContainText('no')
})

test('where the device itself does not understand speech, nobody is listened to', async ({ page }) => {
  await withVoice(page, 'downloadable')
  await signIn(page, place)
  await openCall(page, place, 'No water comes in')
  await page.keyboard.press('h')
  await expect(busy(page)).toBeVisible()
  await page.waitForTimeout(300)
  await expect(busy(page).getByRole('button', { name: 'Listen to me' })).toHaveCount(0)
  await page.keyboard.press('h')
  await expect(busy(page)).toHaveCount(0)
})

test('what is not with you is not asked for, and what takes its place is taken down as that', async ({ page }) => {
  await signIn(page, place)
  await page.getByRole('link', { name: 'Me', exact: true }).click()
  const kit = page.getByRole('region', { name: 'Instruments' })
  for (const tool of ['Multimeter: volts, ohms', 'Clamp meter']) await kit.getByRole('button', { name: tool }).click()
  await kit.getByLabel(/The beeper sounds below/).fill('many')
  await kit.getByRole('button', { name: 'Keep my instruments' }).click()
  await expect(kit.getByRole('alert')).toContainText('Give ohms')
  await kit.getByLabel(/The beeper sounds below/).fill('60')
  await kit.getByLabel('Low-impedance volts, ± %').fill('40')
  await kit.getByRole('button', { name: 'Keep my instruments' }).click()
  await expect(kit.getByRole('alert')).toContainText('between 0.05 and 30 %')
  await kit.getByLabel('Low-impedance volts, ± %').fill('2,5')
  await kit.getByRole('button', { name: 'Keep my instruments' }).click()
  await expect(kit.getByRole('status')).toHaveText('Kept.')
  expect(await axeViolations(page)).toEqual([])
  await page.reload()
  await expect(kit.getByRole('button', { name: 'Clamp meter' })).toHaveAttribute('aria-pressed', 'false')
  const job = await openCall(page, place, 'No water comes in')
  await choose(page, 'Ohms of the cold valve')
  const instruments = page.getByRole('radiogroup', { name: 'Instrument' })
  await expect(instruments.getByRole('radio', { name: 'ohms, not with you' })).not.toBeChecked()
  await expect(instruments.getByRole('radio', { name: 'continuity beeper' })).toBeChecked()
  const warned = page.getByRole('note', { name: 'What misleads here' })
  await expect(warned).toContainText('sounds below 60 Ω is silent on a good part')
  await choose(page, 'Current of the cold valve')
  await expect(warned).toContainText('have no clamp meter')
  await choose(page, 'Volts at the cold valve')
  await expect(warned).toHaveCount(0)
  await makeSafe(page)
  await page.getByLabel('Reading', { exact: true }).fill('117')
  await page.getByLabel('Reading', { exact: true }).press('Enter')
  await expect(readings(page)).toHaveCount(1)
  const kept = () =>
    place.sql(
      "SELECT payload->>'instrument' AS i, payload->>'accuracy' AS a FROM job_events WHERE job_id = $1 AND payload->>'type' = 'reading'",
      [job],
    )
  await expect.poll(kept).toEqual([{ i: 'volts-lowz', a: '0.025' }])
})
