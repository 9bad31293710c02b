import { existsSync } from 'node:fs'
import { resolve } from 'node:path'
import { ensureBuild } from './build.mjs'
import { portFree } from './cluster.mjs'
import { prepareDatabase } from './database.mjs'
import { say, stop } from './say.mjs'
import { serve } from './serve.mjs'

/** Where the application is to listen. Ends with what is wrong with it. @param command how it was started */
export async function whereToListen(command) {
  const port = Number(process.env.PORT ?? 3000)
  const host = process.env.HOST ?? '127.0.0.1'
  if (!Number.isInteger(port) || port < 1 || port > 65535)
    stop(`PORT must be a number from 1 to 65535; it is "${process.env.PORT}".`)
  if (!(await portFree(port, host)))
    stop(`Port ${port} is taken. Choose another one:\n\n    PORT=${port + 1} ${command}`)
  return { port, host }
}

/** The archive of `--from FILE`, where it is asked for. Ends where there is none. @param command how it was started */
export function archiveAsked(command) {
  const at = process.argv.indexOf('--from')
  if (at < 0) return undefined
  const file = process.argv[at + 1]
  if (!file || !existsSync(file)) stop(`Say which archive: ${command} -- --from FILE`)
  return resolve(file)
}

/**
 * Prepares a database, builds what has changed, serves, and ends when it is told to.
 *
 * @param options `prepare`: as `prepareDatabase` takes it; `greeting`: what is said once it runs; `log`: where its line for each request goes; `close`: what ends with it
 */
export async function runApplication(
  root,
  { port, host, databaseUrl, prepare, greeting, log, close = () => undefined },
) {
  let server
  let leaving = false
  const leave = async (code) => {
    if (leaving) return
    leaving = true
    await server?.stop()
    close()
    process.exit(code)
  }
  process.on('SIGINT', () => void leave(0))
  process.on('SIGTERM', () => void leave(0))
  const appUrl = await prepareDatabase(root, databaseUrl, prepare)
  if (!appUrl) {
    close()
    stop('The database could not be prepared; the lines above say why.')
  }
  await ensureBuild(root)
  try {
    server = await serve(root, { port, host, databaseUrl: appUrl, log })
  } catch (error) {
    close()
    stop(error.message)
  }
  const shown = host === '0.0.0.0' ? '127.0.0.1' : host
  say(`\nDuckweed is running:  ${process.env.TLS_CERT ? 'https' : 'http'}://${shown}:${port}\n\n${greeting}`)
  const code = await server.end
  await leave(code ?? 1)
}
