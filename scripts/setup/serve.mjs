import { spawn } from 'node:child_process'
import { readFileSync } from 'node:fs'
import { connect } from 'node:net'
import { join } from 'node:path'

/** A certificate of one's own makes the server speak TLS; with a proxy before it, `TRUSTED_PROXY=1` believes what that says. */
function tlsOf({ TLS_CERT, TLS_KEY }) {
  if (!TLS_CERT || !TLS_KEY) return {}
  return { NITRO_SSL_CERT: readFileSync(TLS_CERT, 'utf8'), NITRO_SSL_KEY: readFileSync(TLS_KEY, 'utf8') }
}

/** Whether somebody listens on a port of loopback; all that plain http can tell of a server that speaks TLS. */
const isListening = (port) =>
  new Promise((resolve) => {
    const socket = connect(port, '127.0.0.1', () => (socket.destroy(), resolve(true)))
    socket.on('error', () => resolve(false))
  })

/** Starts the built server and waits until it answers. @param options `log`: where its line for each request goes */
export async function serve(root, { port, host = '127.0.0.1', databaseUrl, log = 'ignore' }) {
  const env = {
    ...process.env,
    NITRO_PORT: String(port),
    NITRO_HOST: host,
    PORT: String(port),
    HOST: host,
    NUXT_DATABASE_URL: databaseUrl,
    ...tlsOf(process.env),
  }
  const child = spawn(process.execPath, [join(root, '.output/server/index.mjs')], {
    env,
    stdio: /** @type {import('node:child_process').StdioOptions} */ (['ignore', log, 'inherit']),
  })
  let ended = false
  const end = new Promise((resolve) => child.on('exit', (code) => ((ended = true), resolve(code))))
  for (let i = 0; i < 150 && !ended; i++) {
    try {
      const answer = await fetch(`http://127.0.0.1:${port}/api/health`)
      if (answer.ok) return { child, end, stop: () => (child.kill('SIGTERM'), end) }
    } catch {
      if (env.NITRO_SSL_CERT && (await isListening(port)))
        return { child, end, stop: () => (child.kill('SIGTERM'), end) }
    }
    await new Promise((resolve) => setTimeout(resolve, 200))
  }
  child.kill('SIGTERM')
  throw new Error('The server did not start.')
}
