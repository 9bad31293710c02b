import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { refoldJobs } from '../areas/jobs/refold'
import { flush } from '../areas/news/service'
import { publishLibrary, refreshFacts } from '../areas/sheets/service'
import compileSheet from '../engine/compile-sheet'
import { connect, useDatabase } from '../platform/database'
import { alone } from './alone'
import { grantToApp } from './app-role'
import { migrate } from './migrate'

/** What a command was told by `--key=value`. */
export const said = (key: string): string | undefined =>
  process.argv
    .find((a) => a.startsWith(`--${key}=`))
    ?.slice(key.length + 3)
    .trim()

/**
 * Does something as owner of the database of DATABASE_URL, and ends the process with what is wrong where it fails. Of several that begin at
 * once one after the other does it.
 */
export async function asOwner(work: (owner: ReturnType<typeof connect>) => Promise<void>): Promise<void> {
  const url = process.env.DATABASE_URL
  if (!url) {
    console.error('DATABASE_URL is not set.')
    process.exitCode = 1
    return
  }
  const owner = connect(url, { patient: true })
  useDatabase(owner)
  try {
    await alone(owner, () => work(owner))
  } catch (error) {
    console.error(error instanceof Error ? error.message : error)
    process.exitCode = 1
  } finally {
    await flush()
    await owner.close()
  }
}

/** Shortest password of the application's role, characters. */
const SHORTEST = 16

/** The shipped sheets, by id. */
function shippedSheets(): ReadonlyMap<string, string> {
  // Beside the rooms of the sources, and beside the built server.
  const library = join(import.meta.dirname, '..', '..', 'library')
  const files = readdirSync(library).filter((f) => f.endsWith('.yaml'))
  return new Map(files.map((f) => [f.replace(/\.yaml$/, ''), readFileSync(join(library, f), 'utf8')]))
}

/**
 * Brings the tables to the newest form, keeps the shipped sheets, folds jobs of before, and lets the application's role in, its password
 * in APP_PASSWORD. Running it twice does nothing.
 */
export async function prepareTables(owner: ReturnType<typeof connect>): Promise<void> {
  const password = process.env.APP_PASSWORD
  if (password !== undefined && password.length < SHORTEST)
    throw new Error(`APP_PASSWORD opens the database: make it ${SHORTEST} characters or more, of chance.`)
  await migrate(owner)
  const sheets = shippedSheets()
  await publishLibrary([...sheets.keys()], (id) => Promise.resolve(sheets.get(id)), compileSheet)
  await refreshFacts(compileSheet, (message) => console.error(message))
  await refoldJobs()
  if (password !== undefined) await grantToApp(owner, password)
}
