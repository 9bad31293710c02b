import { loadavg } from 'node:os'
import pg from 'pg'
import { ensureBuild } from '../scripts/setup/build.mjs'
import { freePort, startCluster } from '../scripts/setup/cluster.mjs'
import { prepareDatabase } from '../scripts/setup/database.mjs'
import { serve } from '../scripts/setup/serve.mjs'

/** Rounds whose calibration differs by more than this share say nothing about speed. */
const BUSY_FROM = 0.2

/** The built application over a database of its own, with somebody signed in. */
export interface Served {
  /** The database, as its owner, and its address. */
  owner: pg.Client
  ownerUrl: string
  /** Where it is. */
  url: string
  /** Its processes: the server's number, and what becomes of them and of the database's. */
  pid(): number
  /** Ends the server as a crash would, and starts it again. */
  crash(): Promise<void>
  /** The database is gone at once, and back at the same address. */
  databaseCrash(): Promise<void>
  /** The cookie of somebody. */
  signIn(email: string, password: string): Promise<string>
  /** Asks for JSON; sends it where there is a body. @throws Error for any answer that is none */
  ask(path: string, body?: unknown): Promise<unknown>
  stop(): Promise<void>
}

/** The cookie of somebody who signs in. */
async function signInAt(url: string, email: string, password: string): Promise<string> {
  const answer = await fetch(`${url}/api/session`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ email, password }),
  })
  if (!answer.ok) throw new Error(`${email}: ${answer.status} ${await answer.text()}`)
  return answer.headers
    .getSetCookie()
    .map((c) => c.split(';')[0])
    .join('; ')
}

/**
 * Builds what has changed, prepares a database and starts the application.
 *
 * @param world how much of the demo world
 * @param home the folder that the database's own stands in, where it is not the project's
 */
export async function serveWith(name: string, world: string, home?: string): Promise<Served> {
  const root = process.cwd()
  await ensureBuild(root)
  const cluster = await startCluster(home ?? root, name, { fresh: true })
  const databaseUrl = await prepareDatabase(root, cluster.url, { world })
  if (!databaseUrl) throw new Error('The database could not be prepared.')
  const port = await freePort()
  let server = await serve(root, { port, databaseUrl })
  const owner = new pg.Client({ connectionString: cluster.url })
  // A database that is ended on purpose takes this connection with it.
  owner.on('error', () => undefined)
  await owner.connect()
  const url = `http://127.0.0.1:${port}`
  let cookie = ''
  async function ask(path: string, body?: unknown): Promise<unknown> {
    const answer = await fetch(`${url}${path}`, {
      method: body === undefined ? 'GET' : 'POST',
      headers: { cookie, ...(body === undefined ? {} : { 'content-type': 'application/json' }) },
      ...(body === undefined ? {} : { body: JSON.stringify(body) }),
    })
    if (!answer.ok) throw new Error(`${path}: ${answer.status} ${await answer.text()}`)
    return answer.json()
  }
  const signIn = (email: string, password: string) => signInAt(url, email, password)
  cookie = await signIn('mara@ebb.example', 'low-tide-4-pumps')
  const stop = async () => {
    await owner.end().catch(() => undefined)
    await server.stop()
    cluster.stop()
  }
  return {
    owner,
    ownerUrl: cluster.url,
    url,
    ask,
    signIn,
    stop,
    pid: () => server.child.pid!,
    crash: async () => {
      server.child.kill('SIGKILL')
      await server.end
      server = await serve(root, { port, databaseUrl })
    },
    databaseCrash: async () => {
      cluster.pause()
      cluster.resume()
      await Promise.resolve()
    },
  }
}

export const interval = (list: readonly number[]) => ({ low: Math.min(...list), high: Math.max(...list) })

/** Prints how busy the machine was meanwhile. @param calibrations of the rounds, ms */
export function printLoad(calibrations: readonly number[]): void {
  const { low, high } = interval(calibrations)
  const load = loadavg()
    .map((x) => x.toFixed(1))
    .join(' ')
  console.log(`load ${load}, calibration ${low.toFixed(0)} to ${high.toFixed(0)} ms`)
  if (high / low - 1 > BUSY_FROM) console.log('machine busy: the figures above say little')
}
