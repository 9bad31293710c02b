import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { describeArchiveFault } from '../../core/words'
import { takeArchive } from '../areas/archive/service'
import { refoldJobs } from '../areas/jobs/refold'
import { flush } from '../areas/news/service'
import { hashPassword } from '../areas/session/service'
import { publishLibrary, refreshFacts } from '../areas/sheets/service'
import compileSheet from '../engine/compile-sheet'
import { connect, useDatabase } from '../platform/database'
import { alone } from './alone'
import { grantToApp } from './app-role'
import { migrate } from './migrate'
import { loadDemoWorld, WORLDS } from './seeds/demo-world'

/**
 * `tsx server/database/prepare.ts [--world=years] [--from=FILE]`: as owner of the database of DATABASE_URL, brings the tables to
 * the newest form, keeps the shipped sheets, folds jobs of before, lets the application's role in (its password in
 * APP_PASSWORD) and loads the demo world: `bare` without jobs, `jobs` with those of the last days, `years` with two years
 * of them, `none` no demo at all. Of several that begin at once one after the other does it. With `--from` it takes an archive in instead, where nobody works yet.
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
/** @throws Error with everything that is wrong with it */
async function takeIn(path: string): Promise<void> {
  const taken = await takeArchive(path, compileSheet)
  if (Array.isArray(taken))
    throw new Error(['Nothing was taken in:', ...taken.map((f) => describeArchiveFault(f))].join('\n  '))
  const { organisation, people, jobs, events, photos } = taken
  console.log(
    `${organisation}: ${jobs} jobs with ${events} entries and ${photos} photos were taken in. First passwords, shown this once:`,
  )
  for (const { email, role, password } of people) console.log(`  ${email.padEnd(40)} ${password}   (${role})`)
}

async function prepare(): Promise<void> {
  await migrate(owner)
  await publishLibrary([...sheets.keys()], (id) => Promise.resolve(sheets.get(id)), compileSheet)
  await refreshFacts(compileSheet, (message) => console.error(message))
  await refoldJobs()
  if (process.env.APP_PASSWORD) await grantToApp(owner, process.env.APP_PASSWORD)
  const said = (key: string) => process.argv.find((a) => a.startsWith(`--${key}=`))?.slice(key.length + 3)
  const archive = said('from')
  if (archive !== undefined) return takeIn(archive)
  if (said('world') !== 'none') await loadDemoWorld(hashPassword, WORLDS.find((w) => w === said('world')) ?? 'years')
}

try {
  await alone(owner, prepare)
} catch (error) {
  console.error(error instanceof Error ? error.message : error)
  process.exitCode = 1
} finally {
  await flush()
  await owner.close()
}
