import { randomBytes } from 'node:crypto'
import { existsSync, linkSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { run } from './run.mjs'

const APP_ROLE = 'duckweed_app'

/** The password of the application's role, made once per checkout. */
function appPassword(root) {
  const file = join(root, '.data', 'app-password')
  if (!existsSync(file)) {
    mkdirSync(join(root, '.data'), { recursive: true })
    const made = `${file}.${process.pid}`
    writeFileSync(made, randomBytes(24).toString('base64url'), { mode: 0o600 })
    try {
      // Whole or not at all, and the first of two processes has it.
      linkSync(made, file)
    } catch (error) {
      if (error.code !== 'EEXIST') throw error
    } finally {
      rmSync(made)
    }
  }
  return readFileSync(file, 'utf8').trim()
}

/**
 * As owner of a database: tables, sheets, the application's role, demo world.
 *
 * @param options `world`: how much of the demo world: `bare` no jobs, `jobs` those of the last days, `years` two years of them, `none` nothing of it; `from`: an archive that is taken in instead
 * @returns the address under which the application works: a role that may change no table. `undefined` when it failed
 */
export async function prepareDatabase(root, ownerUrl, { world = 'years', from } = {}) {
  const password = appPassword(root)
  const args =
    from || world === 'none'
      ? ['server/database/prepare.ts', ...(from ? [`--from=${from}`] : [])]
      : ['server/database/prepare-demo.ts', `--world=${world}`]
  // Where the owner may not make roles, somebody else has made one and says how it works.
  const given = process.env.APP_DATABASE_URL
  const env = { ...process.env, DATABASE_URL: ownerUrl, ...(given ? {} : { APP_PASSWORD: password }) }
  const code = await run(join(root, 'node_modules/.bin/tsx'), args, { cwd: root, env })
  if (code !== 0) return undefined
  if (given) return given
  const url = new URL(ownerUrl)
  url.username = APP_ROLE
  url.password = password
  return url.href
}
