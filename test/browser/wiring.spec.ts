import { createHash } from 'node:crypto'
import { expect, test, type Page } from '@playwright/test'
import { comment, exif, withMore } from '../fixtures/jpeg'
import { axeViolations } from './measure'
import { choose, holdAll, jobEvent, JOSS, openCall, openPlace, signIn, type Place } from './place'

let place: Place
test.beforeAll(async () => {
  place = await openPlace('wiring')
})
test.afterAll(() => place.close())

const photos = (page: Page) => page.getByRole('region', { name: 'Photos' })
const labels = (page: Page) => page.getByRole('region', { name: 'Labels' }).getByRole('list').getByRole('listitem')
const off = (page: Page) => page.getByRole('region', { name: 'What is off' })
const picker = (page: Page) => photos(page).getByLabel('Add a photo')
const file = (buffer: Buffer, name = 'photo.jpg', mimeType = 'image/jpeg') => ({ name, mimeType, buffer })

/** A photo as a camera takes it: red in its upper left corner. */
async function cameraPhoto(page: Page, width: number, height: number): Promise<Buffer> {
  const bytes = await page.evaluate(
    async ([w, h]) => {
      const canvas = new OffscreenCanvas(w!, h!)
      const g = canvas.getContext('2d')!
      g.fillStyle = '#ddd'
      g.fillRect(0, 0, w!, h!)
      g.fillStyle = '#f00'
      g.fillRect(0, 0, w! / 3, h! / 3)
      return [...new Uint8Array(await (await canvas.convertToBlob({ type: 'image/jpeg' })).arrayBuffer())]
    },
    [width, height],
  )
  return Buffer.from(bytes)
}
/** What the photo on the screen shows: its size, and whether a corner of it is red. */
const drawn = (page: Page, right: boolean) =>
  photos(page)
    .getByRole('img')
    .evaluate(async (img: HTMLImageElement, right) => {
      await img.decode()
      const [w, h] = [img.naturalWidth, img.naturalHeight]
      const g = Object.assign(document.createElement('canvas'), { width: w, height: h }).getContext('2d')!
      g.drawImage(img, 0, 0)
      const [r, green] = g.getImageData(right ? w - 20 : 20, 20, 1, 1).data
      return { width: w, height: h, red: r! > 200 && green! < 80 }
    }, right)
async function addLabel(page: Page, name: string): Promise<void> {
  await page.getByRole('group', { name: 'From the sheet' }).getByRole('button', { name, exact: true }).click()
  await page.getByRole('button', { name: 'Add the label' }).click()
}

test('what comes off is photographed and named without a connection, stands as off until it is back, and reaches the others', async ({
  page,
  browser,
}) => {
  await signIn(page, place)
  const job = await openCall(page, place, 'No water comes in')
  await choose(page, 'Ohms of the cold valve')
  await page.getByRole('button', { name: 'Record the wiring first' }).click()
  await expect(page.getByRole('link', { name: 'Wiring' })).toHaveAttribute('aria-current', 'step')
  await place.serverAway()
  // Held on its side, with a place written in: it stands upright, small, and without the place.
  const camera = withMore(await cameraPhoto(page, 4000, 3000), [exif(6), comment('PLACE 54.1N')])
  await picker(page).setInputFiles(file(camera))
  await expect(photos(page).getByRole('img')).toBeVisible()
  expect(await drawn(page, true)).toEqual({ width: 1200, height: 1600, red: true })
  await expect(photos(page)).toContainText('1 of 1 waits on this device')
  const box = (await photos(page).getByRole('img').boundingBox())!
  await photos(page)
    .getByRole('img')
    .click({ position: { x: box.width * 0.75, y: box.height * 0.25 } })
  await expect(page.getByRole('textbox', { name: 'Connector or wire' })).toBeFocused()
  await page.getByRole('group', { name: 'From the sheet' }).getByRole('button', { name: 'cold valve' }).click()
  await expect(page.getByRole('textbox', { name: 'Colour' })).toHaveValue('yellow, white')
  await expect(page.getByRole('form', { name: 'A label' })).toContainText('It has a twin: hot valve')
  await page.getByRole('button', { name: 'Add the label' }).click()
  await expect(labels(page)).toContainText(['Its twin has no label yet: hot valve'])
  await addLabel(page, 'hot valve')
  await expect(labels(page).first()).not.toContainText('Its twin')
  expect(await axeViolations(page)).toEqual([])
  // Nothing comes off before it is made safe.
  await expect(page.getByRole('button', { name: 'It is off: cold valve' })).toBeDisabled()
  await holdAll(page)
  await page.getByRole('button', { name: 'It is off: cold valve' }).click()
  await page.getByRole('button', { name: 'It is off: hot valve' }).click()
  await expect(off(page).getByRole('listitem')).toHaveText([/^hot valve/, /^cold valve/])
  await expect(page.getByRole('link', { name: /^Wiring/ })).toContainText('2 off')
  await page.reload()
  await expect(off(page).getByRole('listitem')).toHaveCount(2)
  await expect(photos(page).getByRole('img')).toBeVisible()
  expect(await axeViolations(page)).toEqual([])
  await place.serverBack()
  await expect(photos(page)).not.toContainText('on this device to be sent')
  const [kept] = (await place.sql('SELECT hash, bytes FROM photos')) as [{ hash: string; bytes: Buffer }]
  expect(kept.bytes.includes('PLACE')).toBe(false)
  expect(kept.bytes.length).toBeLessThanOrEqual(400_000)

  // Somebody else sees it, and cannot close over what is off.
  const other = await (await browser.newContext({ viewport: { width: 390, height: 844 } })).newPage()
  await signIn(other, place, JOSS)
  await other.goto(`${place.url}/jobs/${job}/wiring`)
  expect(await drawn(other, true)).toEqual({ width: 1200, height: 1600, red: true })
  await expect(off(other).getByRole('listitem')).toHaveText([/^hot valve/, /^cold valve/])
  expect(await axeViolations(other)).toEqual([])
  const closed = await other.request.post(`${place.url}/api/jobs/${job}/events`, {
    data: { events: [jobEvent({ type: 'closed', repair: '', text: '' })] },
  })
  expect(await closed.json()).toMatchObject({
    results: [{ code: 'still-off', message: 'Still off: cold valve, hot valve. Put it back first.' }],
  })
  // The way back is walked from the last one on; each sees it within a second.
  await off(other).getByRole('button', { name: 'Back on: hot valve' }).click()
  await expect(off(page).getByRole('listitem')).toHaveText([/^cold valve/], { timeout: 15_000 })
  await off(page).getByRole('button', { name: 'Back on: cold valve' }).click()
  await expect(off(other)).toHaveCount(0)
  await expect(page.getByRole('link', { name: 'Wiring', exact: true })).toBeVisible()
  await other.context().close()
})

test('what is no photo, ends too early or is huge is said or made small, and nothing else is lost', async ({
  page,
}) => {
  await signIn(page, place)
  const job = await openCall(page, place, 'No water comes in')
  await page.getByRole('link', { name: 'Wiring' }).click()
  await page.getByRole('textbox', { name: 'Connector or wire' }).fill('earth tag')
  const whole = await cameraPhoto(page, 1000, 800)
  const said = photos(page).getByRole('alert')
  await picker(page).setInputFiles(file(whole.subarray(0, whole.length - 300)))
  await expect(said).toContainText('ends before the picture is whole')
  await picker(page).setInputFiles(file(Buffer.from('%PDF-1.7 no picture'), 'sheet.jpg'))
  await expect(said).toContainText('cannot draw that file')
  // What a camera lays behind its picture makes forty megabytes of it.
  await picker(page).setInputFiles(file(withMore(whole, [], Buffer.alloc(40_000_000))))
  await expect(photos(page).getByRole('img')).toBeVisible()
  await expect(said).toHaveCount(0)
  expect(await drawn(page, false)).toEqual({ width: 1000, height: 800, red: true })
  await expect(page.getByRole('textbox', { name: 'Connector or wire' })).toHaveValue('earth tag')
  await expect(photos(page)).not.toContainText('on this device to be sent')

  // What somebody sends past the page is refused by the server, with a word.
  const put = (bytes: Buffer, hash = createHash('sha256').update(bytes).digest('hex'), type = 'image/jpeg') =>
    page.request.put(`${place.url}/api/photos/${hash}`, { headers: { 'content-type': type }, data: bytes })
  for (const [status, code, answer] of [
    [413, 'too-large', put(Buffer.alloc(40_000_000))],
    [415, 'wrong-type', put(whole, undefined, 'image/png')],
    [422, 'photo-cut-short', put(whole.subarray(0, -300))],
    [422, 'other-photo', put(whole, 'cd'.repeat(32))],
    [400, 'wrong-shape', put(whole, 'nonsense')],
    [200, undefined, put(whole)],
  ] as const) {
    const body = (await (await answer).json()) as { error?: { code: string } }
    expect([(await answer).status(), body.error?.code]).toEqual([status, code])
  }

  // A device without room says so before anything is lost; what is written beside it still is.
  await page.evaluate(() => {
    navigator.storage.estimate = () => Promise.resolve({ quota: 1_000_000, usage: 999_000 })
  })
  await picker(page).setInputFiles(file(await cameraPhoto(page, 1200, 800)))
  await expect(said).toContainText('there is no room left')
  await page.getByRole('button', { name: 'Add the label' }).click()
  await expect(labels(page)).toContainText(['earth tag'])
  await page.goto(`${place.url}/jobs/${job}/wiring`)
  await expect(labels(page)).toContainText(['earth tag'])
})
