import { createInterface } from 'node:readline'
import { parseArgs } from 'node:util'
import { InputError } from '../../core/foundation/result'
import { describeProblem } from '../../core/words'
import { Attached } from './attached'

const USAGE = `A machine with meters on it, each a bench meter behind a TCP port of this computer that understands SCPI.

    npm run meter -- SHEET --tips PART:TERMINAL:TERMINAL [--tips ...] [--fault ID[=SEVERITY] | --fault hidden]
                     [--port 5025] [--seed 1] [--pace 1]

While it runs it takes lines:
    start [PROGRAM]       a hand starts the machine
    off, on               supplies off (ohms are read dead) and on again
    drop METER SECONDS    the line of a meter, counted from 1, breaks for so long
    garble METER COUNT    its next answers are nonsense
    look                  what the machine shows
    fault                 what is wrong with it
    end`

const { values, positionals } = parseArgs({
  allowPositionals: true,
  options: {
    tips: { type: 'string', multiple: true },
    fault: { type: 'string', multiple: true },
    port: { type: 'string', default: '5025' },
    seed: { type: 'string', default: '1' },
    pace: { type: 'string', default: '1' },
  },
})

async function run(): Promise<void> {
  const [sheet] = positionals
  if (!sheet || !values.tips?.length) {
    console.error(USAGE)
    process.exitCode = 1
    return
  }
  const attached = await Attached.begin({
    sheet,
    faults: values.fault ?? [],
    seed: Number(values.seed),
    tips: values.tips,
    port: Number(values.port),
    pace: Number(values.pace),
  })
  attached.ports.forEach((port, k) => console.log(`meter ${k + 1}: 127.0.0.1 ${port}, tips at ${values.tips![k]}`))
  const input = createInterface({ input: process.stdin })
  const commands: Record<string, (a?: string, b?: string) => void> = {
    start: (program) => attached.start(program),
    off: () => attached.isolate(true),
    on: () => attached.isolate(false),
    drop: (meter, seconds) => void attached.drop(Number(meter) - 1, Number(seconds ?? 5)),
    garble: (meter, count) => attached.garble(Number(meter) - 1, Number(count ?? 3)),
    look: () => console.log(JSON.stringify(attached.shows)),
    fault: () => console.log(attached.faults.map((f) => f.fault.title).join('; ') || 'nothing is wrong with it'),
    end: () => input.close(),
  }
  input.on('line', (line) => {
    const [name = '', ...args] = line.trim().split(/\s+/)
    try {
      if (commands[name]) commands[name](...args)
      else console.error(USAGE)
    } catch (error) {
      console.error(error instanceof InputError ? error.problems.map((p) => describeProblem(p)).join('\n') : error)
    }
  })
  input.on('close', () => void attached.end())
  process.once('SIGTERM', () => input.close())
}

run().catch((error: unknown) => {
  console.error(error instanceof InputError ? error.problems.map((p) => describeProblem(p)).join('\n') : error)
  process.exitCode = 1
})
