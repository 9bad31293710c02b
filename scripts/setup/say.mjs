/** Plain lines for the person at the terminal. */
export const say = (text) => process.stdout.write(`${text}\n`)

/** Says what is wrong and what to do, and ends. */
export function stop(text) {
  process.stderr.write(`\n${text}\n`)
  process.exit(1)
}
