import { existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { startCluster } from '../../scripts/setup/cluster.mjs'
import { prepareDatabase } from '../../scripts/setup/database.mjs'
import { hashSources } from '../../scripts/setup/sources.mjs'

const root = join(import.meta.dirname, '../..')
/** All that a prepared database is made from. */
const SOURCES = ['core', 'library', 'scripts/setup', 'server', 'shared', 'pnpm-lock.yaml']

const templateOf = (bare: boolean): string => (bare ? 'prepared-bare' : 'prepared-demo')

/** Prepares a database once for all places, anew when what it is made from has changed. @returns the address for the application */
async function prepare(bare: boolean): Promise<URL> {
  const name = templateOf(bare)
  const stamp = join(root, '.data', `${name}-stamp`)
  const state = hashSources(root, SOURCES)
  const [madeOf, address] = existsSync(stamp) ? readFileSync(stamp, 'utf8').split('\n') : []
  if (madeOf === state && address) return new URL(address)
  rmSync(stamp, { force: true })
  // The demo world's jobs come to what is there without them.
  if (!bare) await prepare(true)
  const cluster = await startCluster(root, name, { fresh: true, ...(bare ? {} : { copyOf: templateOf(true) }) })
  try {
    const url = await prepareDatabase(root, cluster.url, { bare })
    if (!url) throw new Error('The database could not be prepared; the lines above say why.')
    mkdirSync(join(root, '.data'), { recursive: true })
    writeFileSync(stamp, `${state}\n${url}`, { mode: 0o600 })
    return new URL(url)
  } finally {
    cluster.stop()
  }
}

/**
 * A cluster of one's own with the tables, sheets and people of the demo world.
 *
 * @param bare without the demo world's jobs
 * @returns the running cluster and the address under which the application works in it
 */
export async function preparedCluster(name: string, { bare }: { bare: boolean }) {
  const address = await prepare(bare)
  const cluster = await startCluster(root, name, { fresh: true, copyOf: templateOf(bare) })
  address.port = String(cluster.port)
  return { cluster, databaseUrl: address.href }
}

/** Before the first test of a run: two test files that begin together would prepare it twice. */
export default async function beforeAll(): Promise<void> {
  await prepare(true)
  await prepare(false)
}
