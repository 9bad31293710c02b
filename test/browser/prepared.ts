import { existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { startCluster } from '../../scripts/setup/cluster.mjs'
import { prepareDatabase } from '../../scripts/setup/database.mjs'
import { hashSources } from '../../scripts/setup/sources.mjs'

const root = join(import.meta.dirname, '../..')
/** All that a prepared database is made from. */
const SOURCES = ['core', 'library', 'scripts/setup', 'server', 'shared', 'pnpm-lock.yaml']

/** How much of the demo world there is; each comes to what the one before it has. */
const WORLDS = ['bare', 'jobs', 'years'] as const
export type World = (typeof WORLDS)[number]
const templateOf = (world: World): string => `prepared-${world}`
const below = (world: World): World | undefined => WORLDS[WORLDS.indexOf(world) - 1]

/** Prepares a database once for all places, anew when what it is made from has changed. @returns the address for the application */
async function prepare(world: World): Promise<URL> {
  const name = templateOf(world)
  const stamp = join(root, '.data', `${name}-stamp`)
  const state = hashSources(root, SOURCES)
  const [madeOf, address] = existsSync(stamp) ? readFileSync(stamp, 'utf8').split('\n') : []
  if (madeOf === state && address) return new URL(address)
  rmSync(stamp, { force: true })
  const less = below(world)
  if (less) await prepare(less)
  const cluster = await startCluster(root, name, { fresh: true, ...(less ? { copyOf: templateOf(less) } : {}) })
  try {
    const url = await prepareDatabase(root, cluster.url, { world })
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
 * @param world how much of the demo world
 * @returns the running cluster and the address under which the application works in it
 */
export async function preparedCluster(name: string, { world }: { world: World }) {
  const address = await prepare(world)
  const cluster = await startCluster(root, name, { fresh: true, copyOf: templateOf(world) })
  address.port = String(cluster.port)
  return { cluster, databaseUrl: address.href }
}

/** Before the first test of a run: two test files that begin together would prepare it twice. */
export default async function beforeAll(): Promise<void> {
  await prepare('years')
}
