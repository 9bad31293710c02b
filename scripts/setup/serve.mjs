import { spawn } from 'node:child_process'
import { randomBytes } from 'node:crypto'
import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'

/** The key that seals sessions, made once per checkout. */
function sessionKey(root) {
  const file = join(root, '.data', 'session-key')
  if (!existsSync(file)) {
    mkdirSync(join(root, '.data'), { recursive: true })
    writeFileSync(file, randomBytes(48).toString('base64url'), { mode: 0o600 })
  }
  return readFileSync(file, 'utf8').trim()
}

/** Starts the built server and waits until it answers. */
export async function serve(root, { port, host = '127.0.0.1', databaseUrl }) {
  const env = {
    ...process.env,
    NITRO_PORT: String(port),
    NITRO_HOST: host,
    PORT: String(port),
    HOST: host,
    NUXT_DATABASE_URL: databaseUrl,
    NUXT_SESSION_PASSWORD: process.env.NUXT_SESSION_PASSWORD ?? sessionKey(root),
    // Plain http: a Secure cookie would not come back from other machines of the workshop.
    NUXT_SESSION_COOKIE_SECURE: process.env.NUXT_SESSION_COOKIE_SECURE ?? 'false',
  }
  const child = spawn(process.execPath, [join(root, '.output/server/index.mjs')], {
    env,
    stdio: ['ignore', 'ignore', 'inherit'],
  })
  let ended = false
  const end = new Promise((resolve) => child.on('exit', (code) => ((ended = true), resolve(code))))
  for (let i = 0; i < 150 && !ended; i++) {
    try {
      const answer = await fetch(`http://127.0.0.1:${port}/api/health`)
      if (answer.status < 500) return { child, end, stop: () => (child.kill('SIGTERM'), end) }
    } catch {
      // not listening yet
    }
    await new Promise((resolve) => setTimeout(resolve, 200))
  }
  child.kill('SIGTERM')
  throw new Error('The server did not start.')
}
