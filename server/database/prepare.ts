import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { refoldJobs } from '../areas/jobs/refold'
import { flush } from '../areas/news/service'
import { hashPassword } from '../areas/session/service'
import { publishLibrary, refreshFacts } from '../areas/sheets/service'
import compileSheet from '../engine/compile-sheet'
import { connect, useDatabase } from '../platform/database'
import { QUEUE_SCHEMA } from '../platform/queue-names'
import { grantToApp } from './app-role'
import { migrate } from './migrate'
import { loadDemoWorld, WORLDS } from './seeds/demo-world'

/**
 * `tsx server/database/prepare.ts [--fresh] [--world=years]`: as owner of the database of DATABASE_URL, brings the tables to
 * the newest form, keeps the shipped sheets, folds jobs of before, lets the application's role in (its password in
 * APP_PASSWORD) and loads the demo world: `bare` without jobs, `jobs` with those of the last days, `years` with two years
 * of them.
 */
const url = process.env.DATABASE_URL
if (!url) throw new Error('DATABASE_URL is not set.')
const owner = connect(url, { patient: true })
useDatabase(owner)
const library = join(import.meta.dirname, '..', '..', 'library')
const sheets = new Map(
  readdirSync(library)
    .filter((f) => f.endsWith('.yaml'))
    .map((f) => [f.replace(/\.yaml$/, ''), readFileSync(join(library, f), 'utf8')]),
)
try {
  if (process.argv.includes('--fresh'))
    await owner.query(`DROP SCHEMA IF EXISTS ${QUEUE_SCHEMA} CASCADE; DROP SCHEMA public CASCADE; CREATE SCHEMA public`)
  await migrate(owner)
  await publishLibrary([...sheets.keys()], (id) => Promise.resolve(sheets.get(id)), compileSheet)
  await refreshFacts(compileSheet, (message) => console.error(message))
  await refoldJobs()
  if (process.env.APP_PASSWORD) await grantToApp(owner, process.env.APP_PASSWORD)
  const world = process.argv.find((a) => a.startsWith('--world='))?.slice('--world='.length)
  await loadDemoWorld(hashPassword, WORLDS.find((w) => w === world) ?? 'years')
} catch (error) {
  console.error(error instanceof Error ? error.message : error)
  process.exitCode = 1
} finally {
  await flush()
  await owner.close()
}
