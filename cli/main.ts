import { runCommand } from './run-command'

process.exitCode = runCommand(process.argv.slice(2))
