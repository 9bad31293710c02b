import { readFile } from 'node:fs/promises'
import { expect, test, type Page } from '@playwright/test'
import { PDFParse } from 'pdf-parse'
import { expectedRun } from '../../core/advice'
import { formatMoney } from '../../core/words'
import { brokenMachine, callTo, testToTheEnd } from './machine'
import { decideOn, doIt, proveAll } from './outcome'
import { holdAll, holdIn, jobEvent, jobOf, openPlace, signIn, type Place } from './place'
import { repaired } from '../repaired'

let place: Place
test.beforeAll(async () => {
  place = await openPlace('outcome')
})
test.afterAll(() => place.close())

const row = (page: Page, name: RegExp) =>
  page.getByRole('region', { name: 'What has to hold' }).getByRole('group', { name })

/** Signs in the field of this name with a wave. */
async function sign(page: Page, label: string): Promise<void> {
  const field = page.getByRole('img', { name: new RegExp(`^${label}`) })
  await field.scrollIntoViewIfNeeded()
  const box = (await field.boundingBox())!
  await page.mouse.move(box.x + 20, box.y + 60)
  await page.mouse.down()
  for (let k = 0; k < 20; k++) await page.mouse.move(box.x + 20 + 10 * k, box.y + 60 + 30 * Math.sin(k))
  await page.mouse.up()
}

/** The newest report that was made of the job on the page, as text and as it came. */
async function pdfOf(page: Page, form: 'One page' | 'All of it'): Promise<{ text: string; pages: number }> {
  const made = page.getByRole('list', { name: 'Reports' }).getByRole('listitem').filter({ hasText: form }).first()
  const save = made.getByRole('button', { name: 'Save the PDF' })
  await expect(save).toBeVisible({ timeout: 60_000 })
  const [file] = await Promise.all([page.waitForEvent('download'), save.click()])
  const parser = new PDFParse({ data: new Uint8Array(await readFile(await file.path())) })
  const { text, total } = await parser.getText()
  return { text: text.replace(/\s+/g, ' '), pages: total }
}

test('from the cause to a signed report: decided, measured, watched, closed, and the report says what was entered', async ({
  page,
}) => {
  test.setTimeout(240_000)
  const broken = brokenMachine('tarvost-e7', 'valve.coil-open')
  const { engine, truth } = broken
  await page.clock.install()
  await signIn(page, place)
  await callTo(page, place, 'e7', /E-7, cabin 1/, broken.says)
  await testToTheEnd(page, broken)
  await decideOn(page, 'New coil on the inlet valve')
  // The whole valve costs more here, and what would change that is said.
  await expect(page.getByRole('list', { name: 'What would change the choice' })).toContainText(
    'New inlet valve pays off',
  )
  const amount = page.getByLabel('Amount of line 1, EUR')
  await amount.fill('18..5')
  await expect(page.getByRole('alert')).toContainText('An amount')
  await expect(page.getByRole('button', { name: 'The customer was told this' })).toBeDisabled()
  await amount.fill('21,50')
  await page.getByRole('button', { name: 'The customer was told this' }).click()
  await page.getByLabel('Who said it').fill('Wenna R.')
  await page.getByRole('button', { name: 'They say yes' }).click()
  const told = page.getByRole('status', { name: 'The price that was told' })
  await expect(told).toContainText('yes from Wenna R.')
  await page.getByRole('button', { name: 'Go on: do this repair' }).click()

  // The line is dead in the cabin: nothing waits for it.
  await page.context().setOffline(true)
  await holdAll(page)
  const steps = page.getByRole('list', { name: 'Steps' }).getByRole('checkbox')
  for (let k = 0; k < (await steps.count()); k++) await steps.nth(k).check()
  const part = page.getByRole('region', { name: 'The new part' })
  const ohms = part.getByRole('textbox')
  await ohms.fill('0.9k')
  await part.getByRole('button', { name: 'Take it' }).click()
  await expect(part).toContainText('It does not go in')
  await part.getByRole('button', { name: /^Undo New inlet valve: ohms/ }).click()
  await ohms.fill('a lot')
  await part.getByRole('button', { name: 'Take it' }).click()
  await expect(part.getByRole('alert')).toBeVisible()
  await ohms.fill('3.9k')
  await part.getByRole('button', { name: 'Take it' }).click()
  await expect(part).toContainText('as a good one')
  await part.getByRole('button', { name: 'Yes' }).click()
  await page.getByRole('button', { name: 'It went in' }).click()
  await page.getByLabel('How it was made unusable').fill('leads cut off')
  await page.getByRole('button', { name: 'Made unusable' }).click()
  truth.repair(engine.machine.repairs.findIndex((r) => r.id === 'new-coil'))
  await page.getByRole('button', { name: 'Go on: prove it' }).click()
  const missing = page.getByRole('list', { name: 'Missing' })
  await expect(missing).toContainText('a whole cycle watched')
  await expect(page.getByRole('button', { name: 'Repaired and proved: close the job' })).toBeDisabled()

  // A cycle, watched step by step to its end.
  await row(page, /cycle/).getByRole('button', { name: 'Watch a cycle' }).click()
  const start = page.getByRole('region', { name: 'Start a run' })
  await start.getByRole('checkbox', { name: /Step by step/ }).check()
  await holdIn(start)
  await start.getByRole('button', { name: 'It starts now' }).click()
  const marks = page.getByRole('region', { name: 'What is noticed' })
  const asked = marks.getByRole('button', { name: /Now: / })
  const cues = expectedRun(engine.predictor, engine.advise([], 'best', 0), 0).cues
  for (let left = cues.length; left > 0; left--) {
    // Of what comes in one moment, one after another.
    const title = (await asked.innerText()).replace(/^\d?\s*Now: /, '')
    const due = cues.find((c) => c.title === title)!.at
    const [minutes, seconds] = (await marks.getByRole('timer').innerText()).split(':').map(Number)
    const now = 60 * minutes! + seconds!
    if (due > now) await page.clock.fastForward((due - now) * 1000)
    await asked.click()
    if (left > 1) await expect(asked).not.toHaveText(new RegExp(`Now: ${title}$`))
  }
  await marks.getByRole('button', { name: 'End the run' }).click()
  // What it says now is no evidence about the machine as it was.
  await expect(page.getByRole('button', { name: 'Enter all as readings' })).toHaveCount(0)
  await page.getByRole('button', { name: 'Go on: prove it' }).click()
  await expect(row(page, /cycle/)).toContainText('came in its time')
  await row(page, /cycle/).getByRole('button', { name: 'It holds: this cycle' }).click()
  await proveAll(page)
  const settings = page.getByRole('region', { name: 'Settings', exact: true })
  await settings.getByLabel('As found: flow control').fill('9 s for 2 L')
  await settings.getByRole('button', { name: 'Note it' }).first().click()
  await expect(settings).toContainText('As found: 9 s for 2 L')
  await settings.getByLabel('As left: flow control').fill('26 s for 2 L')
  await page.keyboard.press('Enter')
  await expect(settings).toContainText('As left: 26 s for 2 L')
  await expect(missing).toHaveCount(0)
  await page.context().setOffline(false)
  await page.getByRole('button', { name: 'Repaired and proved: close the job' }).click()
  await expect(page.getByLabel('Closed')).toContainText('new coil')

  // The customer signs; without a stroke nothing is taken.
  await page.getByLabel('Name of who signs').fill('Wenna R.')
  await expect(page.getByRole('button', { name: 'Take the signature' })).toBeDisabled()
  await sign(page, 'Signature for the work')
  await page.getByRole('button', { name: 'Take the signature' }).click()
  await expect(page.getByRole('region', { name: 'Signature', exact: true })).toContainText('Signed by Wenna R.')
  const job = jobOf(page)
  await page.request.post(`${place.url}/api/jobs/${job}/events`, {
    data: { events: [jobEvent({ type: 'note', text: 'Desk never descales.' })] },
  })
  await page.getByRole('button', { name: 'Make the PDF, one page' }).click()
  const short = await pdfOf(page, 'One page')
  expect(short.pages).toBe(1)
  await page.getByRole('radio', { name: /Our own people/ }).check()
  await page.getByRole('button', { name: 'Make the PDF, all of it' }).click()
  const full = await pdfOf(page, 'All of it')
  const { events } = (await (await page.request.get(`${place.url}/api/jobs/${job}`)).json()) as {
    events: { payload: { type: string; text?: string; lines?: { minor: number }[]; item?: string } }[]
  }
  const of = (type: string) => events.filter((e) => e.payload.type === type)
  const total = of('quoted')[0]!.payload.lines!.reduce((sum, l) => sum + l.minor, 0)
  for (const { text } of [short, full]) {
    expect(text).toContain(formatMoney(total, 'EUR'))
    expect(text).toContain('Signed by Wenna R.')
    expect(text).toContain('Inlet valve: coil open')
    expect(text).toContain('Ohms of the inlet valve')
  }
  for (const r of of('reading'))
    if (/\d/.test(r.payload.text!)) expect(full.text).toContain(r.payload.text!.split(' ')[0])
  expect(full.text).toContain('leads cut off')
  expect(full.text).toContain('3.9')
  expect(full.text).toContain('A whole cycle watched: holds')
  expect(full.text).toContain('flow control: found at 9 s for 2 L, left at 26 s for 2 L')
  expect(full.text).toContain('Desk never descales.')
  expect(short.text).not.toContain('Desk never descales.')
  expect(of('marked').length).toBe(cues.length)
})

test('a part on order, and the visit that brings it; on a phone', async ({ browser }) => {
  test.setTimeout(240_000)
  const context = await browser.newContext({ viewport: { width: 390, height: 844 }, hasTouch: true })
  const page = await context.newPage()
  const broken = brokenMachine('orrisk-tl40', 'cold-valve.coil-open')
  const [repair] = broken.repairs
  await signIn(page, place)
  await callTo(page, place, 'laundry right', /laundry right/, broken.says)
  await testToTheEnd(page, broken)
  await decideOn(page, repair!.title)
  await page.getByText('The part is on order').click()
  await page.getByLabel('Number of the part').fill('TH-4471')
  await page.getByLabel('Somebody comes back on').fill('2026-12-09')
  await page.getByLabel('What to know meanwhile').fill('Uses the left one till then.')
  await page.getByRole('button', { name: 'Leave it waiting for the part' }).click()
  const waits = page.getByRole('note', { name: 'Waiting' })
  await expect(waits).toContainText('Waits for a part')
  await expect(waits).toContainText('TH-4471')
  await expect(waits).toContainText('9 Dec')
  await page.goto(`${place.url}/jobs`)
  await expect(page.getByRole('link', { name: /laundry right/ }).first()).toContainText(/waits/i)
  await page
    .getByRole('link', { name: /laundry right/ })
    .first()
    .click()
  // Back with the part: what was decided goes on where it was left.
  await page.getByRole('navigation', { name: 'Steps of this job' }).getByRole('link', { name: 'Decide' }).click()
  await page.getByRole('radio', { name: repair!.title }).check()
  await page.waitForTimeout(700)
  await doIt(page)
  await expect(waits).toHaveCount(0)
  await proveAll(page)
  await page.getByRole('button', { name: 'Repaired and proved: close the job' }).click()
  await expect(page.getByLabel('Closed')).toContainText(repair!.title)
  await context.close()
})

test('what cannot be left in use is isolated, tagged, warned of, and the refusal noted; then the job ends', async ({
  page,
}) => {
  await signIn(page, place)
  await callTo(page, place, 'e7', /E-7, cabin 1/, 'No water comes')
  await page.getByRole('navigation', { name: 'Steps of this job' }).getByRole('link', { name: 'Decide' }).click()
  await page.getByText('It cannot be left in use').click()
  const out = page.getByRole('list', { name: 'Out of service' })
  await expect(out.getByRole('button', { name: 'Warn in these words' })).toBeDisabled()
  await page.getByRole('link', { name: 'To Safe' }).click()
  await page.getByRole('region', { name: 'Safe' }).getByText('Isolator off').first().waitFor()
  const isolate = page.getByRole('button', { name: /^Done: Isolator off/ })
  await isolate.hover()
  await page.mouse.down()
  await expect(isolate).toHaveCount(0)
  await page.mouse.up()
  await page.getByRole('navigation', { name: 'Steps of this job' }).getByRole('link', { name: 'Decide' }).click()
  await page.getByText('It cannot be left in use').click()
  const picture = await page.evaluate(async () => {
    const canvas = new OffscreenCanvas(400, 300)
    const g = canvas.getContext('2d')!
    g.fillStyle = '#b00'
    g.fillRect(20, 20, 360, 260)
    return [...new Uint8Array(await (await canvas.convertToBlob({ type: 'image/jpeg' })).arrayBuffer())]
  })
  await out
    .getByLabel('Add a photo')
    .setInputFiles({ name: 'tag.jpg', mimeType: 'image/jpeg', buffer: Buffer.from(picture) })
  await out.getByRole('button', { name: 'Warn in these words' }).click()
  await page.getByRole('button', { name: 'They will not sign' }).click()
  await page.getByLabel('Who was warned').fill('Wenna R.')
  await page.getByLabel('Why they do not sign').fill('Says it worked yesterday.')
  await page.getByRole('button', { name: 'Note the refusal' }).click()
  await page.getByRole('button', { name: 'Close the job: out of service' }).click()
  await expect(page.getByLabel('Closed')).toContainText('out of service')
  await page.getByRole('navigation', { name: 'Steps of this job' }).getByRole('link', { name: 'Report' }).click()
  await expect(page.getByRole('region', { name: 'Left out of service' })).toContainText('Says it worked yesterday.')
})

test('a process that dies over a report leaves it to another one, which makes it once; the application may change no table', async ({
  page,
}) => {
  test.setTimeout(240_000)
  await signIn(page, place)
  await callTo(page, place, 'e7', /E-7, cabin 1/, 'No water comes')
  const job = jobOf(page)
  const sent = await page.request.post(`${place.url}/api/jobs/${job}/events`, {
    data: { events: repaired('tarvost-e7', 'new-valve', (payload) => jobEvent(payload)) },
  })
  expect(sent.ok()).toBe(true)
  const ask = () =>
    page.request.post(`${place.url}/api/jobs/${job}/reports`, { data: { form: 'full', reader: 'customer' } })
  const [one, two] = await Promise.all([ask(), ask()])
  const ids = await Promise.all([one, two].map(async (a) => ((await a.json()) as { id: string }).id))
  expect(ids[0]).toBe(ids[1])
  const state = async () =>
    (await place.sql('SELECT state, made_at, length(bytes) AS bytes FROM reports WHERE id = $1', [ids[0]]))[0]!
  await expect.poll(async () => (await state()).state, { intervals: [20] }).toBe('making')
  await place.crash()
  await expect.poll(async () => (await state()).state, { timeout: 150_000 }).toBe('made')
  const made = await state()
  // Handed out once more, it stays as it was made.
  await place.sql(`INSERT INTO queue.job (name, data) VALUES ('reports', $1)`, [JSON.stringify({ report: ids[0] })])
  await expect
    .poll(
      async () =>
        (await place.sql(`SELECT count(*)::int AS n FROM queue.job WHERE name = 'reports' AND state < 'completed'`))[0]!
          .n,
    )
    .toBe(0)
  expect(await state()).toEqual(made)
  expect(await place.sql('SELECT count(*)::int AS n FROM reports WHERE job_id = $1', [job])).toEqual([{ n: 1 }])
  const may = `SELECT has_schema_privilege('duckweed_app', $1, 'CREATE') AS may`
  for (const schema of ['queue', 'public']) expect(await place.sql(may, [schema]), schema).toEqual([{ may: false }])
})

test('a machine of the other organisation has no report for this one', async ({ page }) => {
  await signIn(page, place, { email: 'ivo@lantern.example', password: 'lamp-post-7-keys' })
  const [{ id }] = (await place.sql('SELECT id FROM reports LIMIT 1')) as [{ id: string }]
  expect((await page.request.get(`${place.url}/api/reports/${id}/file`)).status()).toBe(404)
})
