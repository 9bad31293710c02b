import { chromium } from '@playwright/test'
const b = await chromium.launch({
  executablePath: '/usr/bin/chromium',
  args: [
    '--headless',
    '--no-sandbox',
    '--disable-gpu',
    '--disable-quic',
    '--no-first-run',
    '--disable-background-networking',
    '--disable-component-update',
    '--disable-sync',
  ],
})
const phone = process.argv[2] === 'phone'
const c = await b.newContext({ viewport: phone ? { width: 390, height: 844 } : { width: 1280, height: 800 } })
const p = await c.newPage()
p.on('console', (m) => m.type() === 'error' && console.log('console', m.text()))
p.on('pageerror', (e) => console.log('pageerror', e.message))
const U = process.env.U ?? 'http://127.0.0.1:3210'
const s = async (n) => {
  await p.screenshot({ path: `/tmp/shots/${phone ? 'p-' : ''}${n}.png` })
}
await p.goto(U + '/sign-in')
await p.waitForSelector('form')
await s('1-signin')
await p.fill('input[type=email]', 'mara@ebb.example')
await p.fill('input[type=password]', 'low-tide-4-pumps')
await p.click('button[type=submit]')
await p.waitForSelector('h1:has-text("Jobs")')
await s('2-jobs')
await p.goto(U + '/jobs/new')
await p.click('.choice >> nth=0')
await p.waitForSelector('.say')
await p.click('.say:has-text("No water")')
await p.click('.say:has-text("hums")')
await s('3-new')
await p.click('text=Begin the job')
await p.waitForSelector('[data-settled=true]', { timeout: 20000 })
await p.waitForTimeout(500)
await s('4-find')
console.log(await p.textContent('.test h2'))
await p.screenshot({ path: `/tmp/shots/${phone ? 'p-' : ''}4-full.png`, fullPage: true })
if (process.argv[3]) {
  // choose cold-valve volts
  await p.fill('[aria-label="Search tests"]', 'volts across the cold valve')
  await p.click('.chooser li button')
  await p.waitForTimeout(800)
  await s('5-safe')
  for (let i = 0; i < 9; i++) {
    const d = p.locator('.safe .do')
    if (!(await d.count())) break
    await d.click()
    await p.waitForTimeout(150)
  }
  await p.fill('[aria-label=Reading]', 'banana')
  await p.keyboard.press('Enter')
  await p.waitForTimeout(300)
  await s('6-refused')
  await p.fill('[aria-label=Reading]', '119.2')
  await p.waitForTimeout(200)
  await s('7-typed')
  await p.keyboard.press('Enter')
  await p.waitForTimeout(1500)
  await s('8-after')
  await p.screenshot({ path: `/tmp/shots/${phone ? 'p-' : ''}8-full.png`, fullPage: true })
}
await b.close()
