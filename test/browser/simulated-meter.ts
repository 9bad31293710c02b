import { spawn, type ChildProcess } from 'node:child_process'
import { join } from 'node:path'
import { createInterface } from 'node:readline'

const root = join(import.meta.dirname, '../..')

/** A machine with meters on it in a process of its own, moved by lines as a person at it would. */
export interface SimulatedMeter {
  ports: number[]
  say(line: string): void
  end(): Promise<void>
}

/** @param tips where the tips of each meter sit: `PART:TERMINAL:TERMINAL` */
export async function simulatedMeter(sheet: string, tips: readonly string[], fault?: string): Promise<SimulatedMeter> {
  const args = [
    ...tips.flatMap((t) => ['--tips', t]),
    ...(fault === undefined ? [] : ['--fault', fault]),
    '--port',
    '0',
  ]
  const child: ChildProcess = spawn(
    process.execPath,
    ['--import', 'tsx', join(root, 'stand-ins/meter/main.ts'), sheet, ...args],
    { cwd: root, stdio: ['pipe', 'pipe', 'inherit'] },
  )
  const ended = new Promise<void>((resolve) => child.once('exit', () => resolve()))
  const ports: number[] = []
  const ready = new Promise<void>((resolve) => {
    createInterface({ input: child.stdout! }).on('line', (line) => {
      const port = /^meter \d+: 127\.0\.0\.1 (\d+)/.exec(line)?.[1]
      if (port) ports.push(Number(port))
      if (ports.length === tips.length) resolve()
    })
  })
  await Promise.race([ready, ended])
  if (ports.length < tips.length) throw new Error('The simulated meter did not start.')
  return {
    ports,
    say: (line) => void child.stdin!.write(`${line}\n`),
    end: async () => {
      child.stdin!.end('end\n')
      await ended
    },
  }
}
