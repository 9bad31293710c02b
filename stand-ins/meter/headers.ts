/** A header as instruments publish it: capitals are its short form, brackets may be left out, `?` asks. */
export interface Command {
  header: string
  /** @returns what is answered, or nothing */
  run(args: readonly string[]): string | undefined | Promise<string | undefined>
}

/** One word of a header in its short or its long form. */
const word = (name: string): string => {
  const short = /^[A-Z0-9*]+/.exec(name)![0]
  return short.length === name.length
    ? short.replace('*', '\\*')
    : `${short.replace('*', '\\*')}(?:${name.slice(short.length).toUpperCase()})?`
}

/** The pattern of a header. */
export function patternOf(header: string): RegExp {
  const asks = header.endsWith('?')
  const names = header.replace(/\?$/, '').match(/\[:?[A-Za-z]+:?\]|[A-Za-z*]+/g)!
  let pattern = ''
  for (const name of names)
    pattern += name.startsWith('[') ? `(?::?${word(name.replace(/[[\]:]/g, ''))})?` : `:?${word(name)}`
  return new RegExp(`^${pattern}${asks ? '\\?' : ''}$`, 'i')
}

/** What stands between two semicolons: header and arguments. */
export interface Unit {
  header: string
  args: string[]
}

/**
 * The units of a line. A header without a colon in front stands below the words of the one before it but its last, as IEEE 488.2 has it.
 *
 * @param known whether some command has this header
 */
export function unitsOf(line: string, known: (header: string) => boolean): Unit[] {
  let above: string[] = []
  return line
    .split(';')
    .map((text) => text.trim())
    .filter(Boolean)
    .map((text) => {
      const [, own, rest] = /^(\S+)\s*(.*)$/.exec(text)!
      const args = rest ? rest.split(',').map((a) => a.trim()) : []
      if (own.startsWith('*')) return { header: own, args }
      const below = [...above, own].join(':')
      const header = own.startsWith(':') ? own.slice(1) : known(below) ? below : own
      above = header.split(':').slice(0, -1)
      return { header, args }
    })
}
