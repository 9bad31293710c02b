import { runCommand } from './run-command'

// Who reads the output may have read enough: `duckweed simulate … | head`.
process.stdout.on('error', (error: NodeJS.ErrnoException) => {
  if (error.code === 'EPIPE') process.exit(0)
  throw error
})

process.exitCode = runCommand(process.argv.slice(2))
