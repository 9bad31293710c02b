import { existsSync, readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { run } from './run.mjs'
import { say, stop } from './say.mjs'
import { hashSources } from './sources.mjs'

const SOURCES = [
  'app',
  'core',
  'library',
  'public',
  'server',
  'shared',
  'scripts/setup',
  'nuxt.config.ts',
  'package.json',
  'pnpm-lock.yaml',
]

/** Builds the application when its sources have changed since the last build. */
export async function ensureBuild(root) {
  const stamp = join(root, '.output', 'source-stamp')
  const hash = hashSources(root, SOURCES)
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === hash) return
  say('Building (about two minutes, later ones less) …')
  const env = { ...process.env, NUXT_TELEMETRY_DISABLED: '1', NODE_OPTIONS: '--max-old-space-size=4096' }
  const code = await run(join(root, 'node_modules/.bin/nuxt'), ['build', '--logLevel=silent'], { cwd: root, env })
  if (code !== 0) stop('The build failed; the lines above say why.')
  writeFileSync(stamp, hash)
}
