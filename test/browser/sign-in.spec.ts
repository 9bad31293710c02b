import { expect, test } from '@playwright/test'
import { errorAnswer } from '../../shared/contracts/contract'
import { askAs, IVO, MARA, openPlace, WENNA, type Place } from './place'

let place: Place
test.beforeAll(async () => {
  place = await openPlace('sign-in')
})
test.afterAll(() => place.close())

test('tries to sign in are limited, a password is kept only as a hash, a session only as one', async ({
  playwright,
}) => {
  const request = await playwright.request.newContext()
  const wrong = { email: 'joss@ebb.example', password: 'guess' }
  const answers: number[] = []
  for (let i = 0; i < 7; i++) answers.push((await request.post(`${place.url}/api/session`, { data: wrong })).status())
  expect(answers.slice(0, 5)).toEqual([401, 401, 401, 401, 401])
  expect(answers.at(-1)).toBe(429)
  expect(
    (await request.post(`${place.url}/api/session`, { data: { ...wrong, password: 'low-tide-4-pumps' } })).status(),
  ).toBe(429)
  const mara = await askAs(playwright, place, MARA)
  const cookie = (await mara.storageState()).cookies.find((c) => c.name === 'duckweed')!
  expect(cookie).toMatchObject({ httpOnly: true, sameSite: 'Lax' })
  const dump = JSON.stringify(await place.sql('SELECT encode(token_hash, $1) AS h FROM sessions', ['base64']))
  expect(dump).not.toContain(cookie.value)
  const hashes = await place.sql('SELECT password_hash FROM users')
  expect(JSON.stringify(hashes)).not.toContain('low-tide')
})

test('guesses that come at once are counted before they are judged, and lock nobody out of a device they work on', async ({
  playwright,
}) => {
  const desk = await askAs(playwright, place, WENNA)
  const stranger = await playwright.request.newContext()
  const guesses = await Promise.all(
    Array.from({ length: 120 }, (_, i) =>
      stranger.post(`${place.url}/api/session`, { data: { ...WENNA, password: `guess ${i}` } }),
    ),
  )
  const judged = guesses.filter((a) => a.status() === 401)
  expect(judged.length).toBeLessThanOrEqual(5)
  for (const refused of guesses.filter((a) => !judged.includes(a))) {
    expect(refused.status()).toBe(429)
    expect(Number(refused.headers()['retry-after'])).toBeGreaterThan(0)
    expect(errorAnswer.safeParse(await refused.json()).success).toBe(true)
  }
  expect((await stranger.post(`${place.url}/api/session`, { data: WENNA })).status()).toBe(429)
  expect((await desk.post(`${place.url}/api/session`, { data: WENNA })).status()).toBe(200)
  // A cookie of somebody else's device is worth nothing here.
  const { cookies } = await desk.storageState()
  const other = await playwright.request.newContext({
    extraHTTPHeaders: { cookie: `duckweed-device=${cookies.find((c) => c.name === 'duckweed-device')!.value}x` },
  })
  expect((await other.post(`${place.url}/api/session`, { data: WENNA })).status()).toBe(429)
})

test('an address from which every name is tried is turned away, and not a device that is known', async ({
  playwright,
}) => {
  const desk = await askAs(playwright, place, IVO)
  const stranger = await playwright.request.newContext()
  const guess = (i: number) =>
    stranger.post(`${place.url}/api/session`, { data: { email: `nobody-${i}@ebb.example`, password: 'guess' } })
  const answers: number[] = []
  for (let i = 0; i < 16; i++)
    answers.push(...(await Promise.all(Array.from({ length: 8 }, (_, k) => guess(8 * i + k)))).map((a) => a.status()))
  expect(answers.filter((a) => a === 401).length).toBeLessThanOrEqual(100)
  expect(answers.slice(-8)).toEqual(Array.from({ length: 8 }, () => 429))
  expect((await desk.post(`${place.url}/api/session`, { data: IVO })).status()).toBe(200)
})
