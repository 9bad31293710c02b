import { spawnSync } from 'node:child_process'
import { join } from 'node:path'
import { expect, type Page } from '@playwright/test'
import { freePort, startCluster } from '../../scripts/setup/cluster.mjs'
import { serve } from '../../scripts/setup/serve.mjs'

const root = join(import.meta.dirname, '../..')

export const MARA = { email: 'mara@ebb.example', password: 'low-tide-4-pumps' }
export const IVO = { email: 'ivo@lantern.example', password: 'lamp-post-7-keys' }

/** A database and a server of this test file alone. */
export interface Place {
  url: string
  restart(): Promise<void>
  databaseAway(): void
  databaseBack(): void
  close(): Promise<void>
}

export async function openPlace(name: string): Promise<Place> {
  const cluster = await startCluster(root, `browser-${name}`, { fresh: true })
  const prepared = spawnSync(join(root, 'node_modules/.bin/tsx'), ['server/database/prepare.ts'], {
    cwd: root,
    env: { ...process.env, DATABASE_URL: cluster.url },
    encoding: 'utf8',
  })
  if (prepared.status !== 0) throw new Error(prepared.stderr)
  const port = await freePort()
  const start = () => serve(root, { port, databaseUrl: cluster.url })
  let server = await start()
  return {
    url: `http://127.0.0.1:${port}`,
    restart: async () => {
      await server.stop()
      server = await start()
    },
    databaseAway: () => void cluster.pause(),
    databaseBack: () => void cluster.resume(),
    close: async () => {
      await server.stop()
      cluster.stop()
    },
  }
}

export async function signIn(page: Page, place: Place, who = MARA): Promise<void> {
  await page.goto(`${place.url}/sign-in`)
  await page.getByLabel('E-mail').fill(who.email)
  await page.getByLabel('Password').fill(who.password)
  await page.getByRole('button', { name: 'Sign in' }).click()
  await expect(page.getByRole('heading', { name: 'Jobs' })).toBeVisible()
}

/** Opens a call and waits for the settled advice. */
export async function openCall(page: Page, place: Place, ...complaints: string[]): Promise<string> {
  await page.goto(`${place.url}/jobs/new`)
  await page.getByRole('button', { name: /laundry left/ }).click()
  for (const c of complaints) await page.getByRole('button', { name: c }).click()
  await page.getByRole('button', { name: 'Begin the job' }).click()
  await settled(page)
  return page.url().split('/').at(-1)!
}

export const settled = (page: Page) => expect(page.locator('.desk[data-settled=true]')).toBeVisible({ timeout: 30_000 })

/** Chooses a test by its exact title. */
export async function choose(page: Page, title: string): Promise<void> {
  await page.getByLabel('Search tests').fill(title)
  await page
    .locator('.chooser li button', { has: page.getByText(title, { exact: true }) })
    .first()
    .click()
  await expect(page.locator('.test h2')).toHaveText(title)
}

/** Confirms the safety steps that the card asks for; returns their titles. */
export async function makeSafe(page: Page): Promise<string[]> {
  const done: string[] = []
  const button = page.locator('.safe .do')
  // One step follows another on the card until the reading may be entered.
  const ready = page.locator('form.entry')
  for (;;) {
    await expect(ready.or(button).first()).toBeVisible()
    if (await ready.count()) break
    const title = await button.first().innerText()
    done.push(title)
    await button.first().click()
    await expect(page.locator('.safe .do', { hasText: title.split('\n')[0] })).toHaveCount(0)
  }
  return done
}

export async function enter(page: Page, reading: string): Promise<void> {
  await page.getByLabel('Reading', { exact: true }).fill(reading)
  await page.getByLabel('Reading', { exact: true }).press('Enter')
}
