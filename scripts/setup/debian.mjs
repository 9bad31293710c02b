import { existsSync, readdirSync } from 'node:fs'
import { join } from 'node:path'
import { isRoot, run } from './run.mjs'
import { say, stop } from './say.mjs'

/** Folder with initdb and pg_ctl of the newest PostgreSQL that Debian's packages installed; undefined without one. */
export function postgresBin() {
  const base = '/usr/lib/postgresql'
  if (!existsSync(base)) return undefined
  return readdirSync(base)
    .sort((a, b) => Number(b) - Number(a))
    .map((v) => join(base, v, 'bin'))
    .find((bin) => existsSync(join(bin, 'initdb')) && existsSync(join(bin, 'pg_ctl')))
}

export const CHROMIUM = '/usr/bin/chromium'

/** Installs Debian packages that are missing, as root; otherwise says which command does it. */
export async function ensureDebian(missing) {
  if (!missing.length) return
  const command = `apt-get install -y --no-install-recommends ${missing.join(' ')}`
  if (!isRoot())
    stop(
      `Missing on this machine: ${missing.join(', ')}. Run this once, then try again:\n\n    sudo apt-get update && sudo ${command}`,
    )
  say(`Installing ${missing.join(', ')} …`)
  const env = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' }
  const quiet = { env, stdio: ['ignore', 'ignore', 'inherit'] }
  await run('apt-get', ['update', '-qq'], quiet)
  const [tool, ...args] = command.split(' ')
  if ((await run(tool, ['-qq', ...args], quiet)) !== 0) stop(`That did not work. Run it by hand:\n\n    ${command}`)
}
