import { existsSync } from 'node:fs'
import { join, resolve } from 'node:path'
import { ensureBuild } from './setup/build.mjs'
import { portFree, startCluster } from './setup/cluster.mjs'
import { prepareDatabase } from './setup/database.mjs'
import { ensureDebian, postgresBin } from './setup/debian.mjs'
import { ensurePackages } from './setup/packages.mjs'
import { say, stop } from './setup/say.mjs'
import { serve } from './setup/serve.mjs'

/** Who signs in to the demo world. */
const DEMO_PEOPLE = `  Ebb & Daughters Equipment Care   mara@ebb.example      low-tide-4-pumps
                                   joss@ebb.example      low-tide-4-pumps
                                   pim@ebb.example       low-tide-4-pumps   (trainee)
                                   desk@ebb.example      low-tide-4-pumps   (may only look)
  Lantern Row Repairs              ivo@lantern.example   lamp-post-7-keys`

const root = join(import.meta.dirname, '..')
const fresh = process.argv.includes('--fresh')
/** An archive to begin with, in the place of the demo world. */
const from = process.argv.includes('--from') ? process.argv[process.argv.indexOf('--from') + 1] : undefined
const port = Number(process.env.PORT ?? 3000)
const host = process.env.HOST ?? '127.0.0.1'

if (!Number.isInteger(port) || port < 1 || port > 65535)
  stop(`PORT must be a number from 1 to 65535; it is "${process.env.PORT}".`)
if (!(await portFree(port, host)))
  stop(`Port ${port} is taken. Choose another one:\n\n    PORT=${port + 1} npm run demo`)

if (process.argv.includes('--from') && !(from && existsSync(from)))
  stop('Say which archive: npm run demo -- --fresh --from FILE')

if (fresh && process.env.DATABASE_URL)
  stop(
    '--fresh starts over in the private database alone. DATABASE_URL names another one: empty that one yourself, or leave one of the two out.',
  )

await ensurePackages(root)
let cluster
let databaseUrl = process.env.DATABASE_URL
if (!databaseUrl) {
  await ensureDebian(postgresBin() ? [] : ['postgresql'])
  cluster = await startCluster(root, 'demo', { fresh })
  databaseUrl = cluster.url
}
let server
let leaving = false
const leave = async (code) => {
  if (leaving) return
  leaving = true
  await server?.stop()
  cluster?.stop()
  process.exit(code)
}
process.on('SIGINT', () => void leave(0))
process.on('SIGTERM', () => void leave(0))

const appUrl = await prepareDatabase(root, databaseUrl, { from: from && resolve(from) })
if (!appUrl) {
  cluster?.stop()
  stop('The database could not be prepared; the lines above say why.')
}
await ensureBuild(root)
try {
  server = await serve(root, { port, host, databaseUrl: appUrl })
} catch (error) {
  cluster?.stop()
  stop(error.message)
}
say(`
Duckweed is running:  ${process.env.TLS_CERT ? 'https' : 'http'}://${host === '0.0.0.0' ? '127.0.0.1' : host}:${port}

${from ? '  Its people sign in with the passwords shown above.' : DEMO_PEOPLE}

Ctrl-C stops it. What you enter is kept; npm run demo -- --fresh starts over.
`)
const code = await server.end
await leave(code ?? 1)
