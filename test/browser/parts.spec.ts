import { expect, test } from '@playwright/test'
import { callTo } from './machine'
import { openPlace, pick, signIn, type Place } from './place'

let place: Place
test.beforeAll(async () => {
  place = await openPlace('parts')
})
test.afterAll(() => place.close())

const file = (text: string) => ({ name: 'parts.csv', mimeType: 'text/csv', buffer: Buffer.from(text) })

test('parts come in from a file, go into a van, and out of it with the repair that used them', async ({ page }) => {
  await signIn(page, place)
  await page.getByRole('link', { name: 'Shop', exact: true }).click()
  await page.getByRole('navigation', { name: 'Shop' }).getByRole('link', { name: 'Parts' }).click()
  await page.getByRole('button', { name: 'From a file' }).click()
  const choose = page.getByLabel('Choose the file')
  await choose.setInputFiles(file('number,title,price\nTH-71,Inlet coil,19.00\nth-71,Inlet coil again,19\nTH-72,,1\n'))
  await expect(page.getByRole('main').getByRole('status')).toContainText('2 things are wrong')
  await expect(page.getByRole('cell', { name: /The same number stands in row 1/ })).toBeVisible()
  await expect(page.getByRole('button', { name: /^Take all/ })).toBeDisabled()
  await choose.setInputFiles(
    file('number;title;fits;price;reorder at\nTH-71;Inlet coil;tarvost-e7;19,00;1\nTH-72;Strainer;;3;0\n'),
  )
  await page.getByRole('button', { name: 'Take all 2 in' }).click()
  const parts = page.getByRole('list', { name: 'Parts' })
  await expect(parts.getByRole('listitem')).toHaveCount(2)
  await expect(parts).toContainText('to be ordered')
  // What the file brought goes out as the same file.
  const [saved] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Save as CSV' }).click(),
  ])
  await parts.getByRole('link', { name: /TH-71/ }).click()
  const lie = page.getByRole('region', { name: 'Where they lie' })
  const book = async (what: string, count: string, to: string) => {
    await lie.getByLabel('How many').fill(count)
    await pick(lie.getByRole('combobox', { name: 'What happened' }), what)
    await pick(lie.getByRole('combobox', { name: 'To where' }), to)
    await lie.getByRole('button', { name: 'Book it' }).click()
  }
  await book('came in', '3', 'the shop')
  await expect(lie).toContainText('3 in the shop')
  await book('moved', '5', 'the van of Mara E.')
  await expect(page.getByRole('alert')).toContainText('Fewer than 5 lie there')
  await book('moved', '2', 'the van of Mara E.')
  await expect(lie).toContainText('2 in the van of Mara E.')
  await lie.getByLabel('How many').fill('-1')
  await expect(lie.getByRole('button', { name: 'Book it' })).toBeDisabled()
  const form = page.getByRole('form', { name: 'The part' })
  await form.getByLabel('Number', { exact: true }).fill('TH-72')
  await form.getByRole('button', { name: 'Keep it' }).click()
  await expect(page.getByRole('alert')).toContainText('Another part has the number TH-72 already')
  expect(saved.suggestedFilename()).toBe('parts.csv')

  await callTo(page, place, 'e7', /E-7, cabin 1/, 'No water comes')
  await page.getByRole('navigation', { name: 'Steps of this job' }).getByRole('link', { name: 'Decide' }).click()
  await page.getByRole('radiogroup', { name: 'Repairs' }).getByRole('radio').first().check()
  await page.waitForTimeout(700)
  await page.getByRole('button', { name: 'Go on: do this repair' }).click()
  await page.getByLabel('What went in', { exact: true }).fill('Inlet coil')
  await page.getByLabel('Number of what went in').fill('TH-71')
  await page.getByRole('button', { name: 'It went in' }).click()
  await expect(page.getByRole('list', { name: 'Parts used' })).toContainText('Inlet coil')
  await page.goto(`${place.url}/shop/parts`)
  await expect(parts.getByRole('link', { name: /TH-71/ })).toContainText('1 Mara E.')
})
