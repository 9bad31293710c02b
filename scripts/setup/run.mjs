import { spawn, spawnSync } from 'node:child_process'

/** Runs a command to its end with its output shown. Resolves to the exit code. */
export function run(command, args, options = {}) {
  return new Promise((resolve) => {
    const child = spawn(command, args, { stdio: 'inherit', ...options })
    child.on('error', () => resolve(127))
    child.on('exit', (code, signal) => resolve(code ?? (signal ? 1 : 0)))
  })
}

/** Runs a short command and gives back what it printed. */
export const ask = (command, args, options = {}) => spawnSync(command, args, { encoding: 'utf8', ...options })

export const isRoot = () => process.getuid?.() === 0
