import { join } from 'node:path'
import { archiveAsked, runApplication, whereToListen } from './setup/application.mjs'
import { startCluster } from './setup/cluster.mjs'
import { ensureDebian, postgresBin } from './setup/debian.mjs'
import { ensurePackages } from './setup/packages.mjs'
import { stop } from './setup/say.mjs'

/** Who signs in to the demo world. */
const DEMO_PEOPLE = `  Ebb & Daughters Equipment Care   mara@ebb.example      low-tide-4-pumps
                                   joss@ebb.example      low-tide-4-pumps
                                   pim@ebb.example       low-tide-4-pumps   (trainee)
                                   desk@ebb.example      low-tide-4-pumps   (may only look)
  Lantern Row Repairs              ivo@lantern.example   lamp-post-7-keys`

const root = join(import.meta.dirname, '..')
const fresh = process.argv.includes('--fresh')
const { port, host } = await whereToListen('npm run demo')
/** In the place of the demo world. */
const from = archiveAsked('npm run demo')

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
await runApplication(root, {
  port,
  host,
  databaseUrl,
  prepare: { from },
  greeting: `${from ? '  Its people sign in with the passwords shown above.' : DEMO_PEOPLE}

Ctrl-C stops it. What you enter is kept; npm run demo -- --fresh starts over.
`,
  close: () => cluster?.stop(),
})
