import { join } from 'node:path'
import { ensurePackages } from './setup/packages.mjs'
import { run } from './setup/run.mjs'

// The rules stand on what the application's own tools write: in a fresh clone that is made first.
const root = join(import.meta.dirname, '..')
await ensurePackages(root)
const bin = (name) => join(root, 'node_modules/.bin', name)
const env = { ...process.env, NUXT_TELEMETRY_DISABLED: '1' }
const prepared = await run(bin('nuxt'), ['prepare', '--logLevel=silent'], { cwd: root, env })
process.exitCode =
  prepared || (await run(bin('eslint'), ['.', '--max-warnings=0', ...process.argv.slice(2)], { cwd: root, env }))
