import { createHash } from 'node:crypto'
import { existsSync, readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { run } from './run.mjs'
import { say, stop } from './say.mjs'

/** Installs the packages of the lockfile when they are not there yet. Needs nothing but Node and npm. */
export async function ensurePackages(root) {
  const [major, minor] = process.versions.node.split('.').map(Number)
  if (major < 20 || (major === 20 && minor < 19)) stop(`Node 20.19 or newer is needed; this is ${process.version}.`)
  const lock = join(root, 'pnpm-lock.yaml')
  const stamp = join(root, 'node_modules', '.lock-stamp')
  const hash = createHash('sha256').update(readFileSync(lock)).digest('hex')
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === hash) return
  const { packageManager } = JSON.parse(readFileSync(join(root, 'package.json'), 'utf8'))
  say('Installing packages …')
  const code = await run('npx', ['--yes', packageManager, 'install', '--frozen-lockfile'], {
    cwd: root,
    env: { ...process.env, CI: 'true' },
  })
  if (code !== 0)
    stop(`The packages could not be installed. Try: npx --yes ${packageManager} install --frozen-lockfile`)
  writeFileSync(stamp, hash)
}
