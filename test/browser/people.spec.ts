import { expect, test } from '@playwright/test'
import { everyPage } from './every-page'
import { JOSS, openPlace, pick, signIn, type Place } from './place'

let place: Place
test.beforeAll(async () => {
  place = await openPlace('people')
})
test.afterAll(() => place.close())

test('somebody is let in, chooses a password, and has left: at once, everywhere', async ({ page, browser }) => {
  await signIn(page, place)
  await page.goto(`${place.url}/shop/people`)
  await page.getByLabel('Name', { exact: true }).first().fill('Runa T.')
  await page.getByLabel('E-mail').fill('joss@ebb.example')
  await page.getByRole('button', { name: 'Let them in' }).click()
  await expect(page.getByRole('alert')).toContainText('Somebody signs in with joss@ebb.example already.')
  await page.getByLabel('E-mail').fill('runa@ebb.example')
  await page.getByRole('button', { name: 'Let them in' }).click()
  const first = await page.getByRole('status', { name: 'First password' }).getByRole('code').innerText()
  const card = page.getByRole('listitem', { name: 'Runa T.' })
  await expect(card).toContainText('Technician: all work')

  const runa = await (await browser.newContext()).newPage()
  await signIn(runa, place, { email: 'runa@ebb.example', password: first })
  await runa.goto(`${place.url}/shop/people`)
  await expect(runa.getByText('Whoever leads the shop sees to this.')).toBeVisible()
  await runa.goto(`${place.url}/me`)
  const form = runa.getByRole('form', { name: 'Your password' })
  await form.getByLabel('Password now').fill('not it')
  await form.getByLabel('New password', { exact: true }).fill('short')
  await expect(form.getByText('At least 10 characters.')).toBeVisible()
  await form.getByLabel('New password', { exact: true }).fill('ebb-tide-at-nine')
  await form.getByLabel('New password again').fill('ebb-tide-at-nine')
  await form.getByRole('button', { name: 'Keep this password' }).click()
  await expect(form.getByRole('alert')).toContainText('This is not your password.')
  await form.getByLabel('Password now').fill(first)
  await form.getByRole('button', { name: 'Keep this password' }).click()
  await expect(form.getByText('Kept.')).toBeVisible()
  const phone = await (await browser.newContext()).newPage()
  await signIn(phone, place, { email: 'runa@ebb.example', password: 'ebb-tide-at-nine' })

  await card.getByText('Change').click()
  await card.getByRole('button', { name: /Has left/ }).click({ delay: 1300 })
  await expect(card).toContainText('has left')
  for (const away of [runa, phone]) expect((await away.request.get(`${place.url}/api/jobs`)).status()).toBe(401)
  const data = { email: 'runa@ebb.example', password: 'ebb-tide-at-nine' }
  expect((await phone.request.post(`${place.url}/api/session`, { data })).status()).toBe(401)
  await runa.context().close()
  await phone.context().close()
})

test('another role counts at once; pages of people stand on a phone', async ({ page, browser }) => {
  const joss = await (await browser.newContext()).newPage()
  await signIn(joss, place, JOSS)
  await signIn(page, place)
  await page.goto(`${place.url}/shop/people`)
  const card = page.getByRole('listitem', { name: 'Joss E.' })
  await card.getByText('Change').click()
  await pick(card.getByRole('combobox', { name: 'Role of Joss E.' }), 'Looks only')
  await card.getByRole('button', { name: 'Keep' }).click()
  await expect(card).toContainText('Looks only')
  await expect.poll(async () => (await joss.request.get(`${place.url}/api/jobs`)).status()).toBe(401)
  await signIn(joss, place, JOSS)
  expect((await joss.request.post(`${place.url}/api/units`, { data: {} })).status()).toBe(403)
  await joss.context().close()
  await page.setViewportSize({ width: 390, height: 844 })
  await everyPage(page, place, ['shop/people', 'me'])
})
