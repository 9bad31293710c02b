import { chromium } from '@playwright/test'
import { openPlace, signIn } from '../test/browser/place'
const place = await openPlace('look', { world: 'years' })
const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox', '--disable-gpu', '--disable-quic'] })
try {
  for (const [w, h, n] of [[1280, 800, 'l'], [390, 844, 'p']] as const) {
    const page = await browser.newPage({ viewport: { width: w, height: h } })
    page.on('console', (m) => m.type() === 'error' && console.log('console', m.text()))
    await signIn(page, place)
    await page.goto(`${place.url}/shop/files`)
    await page.getByRole('heading', { name: 'In and out' }).waitFor()
    await page.screenshot({ path: `/tmp/files-${n}.png`, fullPage: true })
    await page.goto(`${place.url}/shop/rules`)
    await page.getByLabel('Between two visits').waitFor()
    await page.getByRole('combobox', { name: 'Customer' }).click()
    await page.getByRole('option').first().click()
    await page.getByText('What was measured').first().waitFor()
    await page.waitForTimeout(500)
    await page.screenshot({ path: `/tmp/rules-${n}.png`, fullPage: true })
    await page.goto(`${place.url}/shop/files/customers`)
    await page.getByLabel('Choose the file').setInputFiles({ name: 'c.csv', mimeType: 'text/csv', buffer: Buffer.from('customer,site\nNew Quay Café,Kitchen\n,Loft\nNew Quay Café,Kitchen\n') })
    await page.getByText('wrong in').waitFor()
    await page.screenshot({ path: `/tmp/cust-${n}.png` })
    await page.close()
  }
} finally { await browser.close(); await place.close() }
