import { parseArgs } from 'node:util'
import { InputError } from '../core/foundation/result'
import { describeProblem } from '../core/words'
import type { Command } from './command'
import { blind } from './commands/blind'
import { check } from './commands/check'
import { diagnose } from './commands/diagnose'
import { faults } from './commands/faults'
import { kinds } from './commands/kinds'
import { netlist } from './commands/netlist'
import { predict } from './commands/predict'
import { simulate } from './commands/simulate'
import { tests } from './commands/tests'
import { whole } from './commands/whole'
import { shippedIds } from './library'

export const COMMANDS: readonly Command[] = [
  check,
  kinds,
  whole,
  simulate,
  faults,
  tests,
  predict,
  diagnose,
  blind,
  netlist,
]

const USAGE = `${COMMANDS.map((c) => `duckweed ${c.name} ${c.usage}`).join('\n')}

SHEET is a path or one of: ${shippedIds().join(', ')}`

/** Runs one command line. Returns the exit code: 0 fine, 1 the input is wrong, 2 the program failed. */
export function runCommand([name, ...args]: string[]): number {
  const command = COMMANDS.find((c) => c.name === name)
  if (!command) {
    console.error(USAGE)
    return 1
  }
  try {
    const { values, positionals } = parseArgs({ args, allowPositionals: true, options: command.options })
    const result = command.run(positionals, values)
    if (result !== undefined) console.log(JSON.stringify(result, null, 2))
    return 0
  } catch (error) {
    if (error instanceof InputError) {
      for (const p of error.problems) console.error(describeProblem(p))
      return 1
    }
    if (error instanceof TypeError && 'code' in error && String(error.code).startsWith('ERR_PARSE_ARGS')) {
      console.error(`${error.message}\n\nduckweed ${command.name} ${command.usage}`)
      return 1
    }
    console.error(error)
    return 2
  }
}
