import { join } from 'node:path'
import { archiveAsked, runApplication, whereToListen } from './setup/application.mjs'
import { ensurePackages } from './setup/packages.mjs'
import { stop } from './setup/say.mjs'

const root = join(import.meta.dirname, '..')
const { port, host } = await whereToListen('npm start')
const databaseUrl = process.env.DATABASE_URL
if (!databaseUrl) stop('DATABASE_URL names the database, as its owner. To look around without one: npm run demo')

await ensurePackages(root)
await runApplication(root, {
  port,
  host,
  databaseUrl,
  prepare: { world: 'none', from: archiveAsked('npm start') },
  log: 'inherit',
  greeting: 'Ctrl-C stops it. The first of a shop is let in by npm run begin.\n',
})
