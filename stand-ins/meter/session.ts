import { unitsOf, patternOf, type Command } from './headers'
import type { Instrument, MeterFunction } from './instrument'

/** Errors as SCPI numbers them (volume 2, chapter 21). */
const ERRORS = {
  '-109': 'Missing parameter',
  '-113': 'Undefined header',
  '-222': 'Data out of range',
  '-224': 'Illegal parameter value',
  '-230': 'Data corrupt or stale',
  '-350': 'Queue overflow',
} as const
type ErrorCode = keyof typeof ERRORS
/** Longest queue of errors. */
const QUEUE = 20
/** Bits of the event status register. */
const ESR = { complete: 1, execution: 16, command: 32, powerOn: 128 } as const
const FUNCTIONS: Record<string, MeterFunction> = {
  'VOLT:AC': 'VOLT:AC',
  'VOLT:DC': 'VOLT',
  VOLT: 'VOLT',
  RES: 'RES',
  'CURR:AC': 'CURR:AC',
}
const shortOf = (name: string): string =>
  name
    .replace(/"/g, '')
    .toUpperCase()
    .replace(/VOLTAGE/, 'VOLT')
    .replace(/RESISTANCE/, 'RES')
    .replace(/CURRENT/, 'CURR')

/** A number as instruments write it: sign, mantissa, exponent. */
export const writeNumber = (value: number): string => {
  const [mantissa, exponent] = Math.abs(value).toExponential(8).split('e') as [string, string]
  const two = exponent.slice(1).padStart(2, '0')
  return `${value < 0 ? '-' : '+'}${mantissa}E${exponent.startsWith('-') ? '-' : '+'}${two}`
}

/** What one connection to the meter says and hears. */
export class Session {
  private errors: ErrorCode[] = []
  private events: number = ESR.powerOn
  private enabled = 0
  private requests = 0
  private last: number | undefined
  private readonly commands: { pattern: RegExp; command: Command }[]

  constructor(
    private readonly meter: Instrument,
    private readonly name: string,
    /** Waits, s. */
    private readonly wait: (seconds: number) => Promise<void>,
  ) {
    this.commands = [...this.common(), ...this.measuring(), ...this.ranges()].map((command) => ({
      pattern: patternOf(command.header),
      command,
    }))
  }

  /** @returns the answers of a line, joined; `undefined` where nothing was asked */
  async hear(line: string): Promise<string | undefined> {
    const find = (header: string) => this.commands.find(({ pattern }) => pattern.test(header))?.command
    const answers: string[] = []
    for (const { header, args } of unitsOf(line, (h) => find(h) !== undefined)) {
      const command = find(header)
      if (!command) {
        this.fail('-113', ESR.command)
        continue
      }
      const answer = await command.run(args)
      if (answer !== undefined) answers.push(answer)
    }
    return answers.length ? answers.join(';') : undefined
  }
  private fail(code: ErrorCode, bit: number = ESR.execution): undefined {
    this.events |= bit
    if (this.errors.length < QUEUE) this.errors.push(code)
    else this.errors[QUEUE - 1] = '-350'
    return undefined
  }
  private get status(): number {
    return (this.errors.length ? 4 : 0) | (this.events & this.enabled ? 32 : 0)
  }
  private common(): Command[] {
    const set = (give: (value: number) => void) => (args: readonly string[]) => {
      const value = Number(args[0] ?? NaN)
      if (!args.length) return this.fail('-109', ESR.command)
      if (!Number.isInteger(value) || value < 0 || value > 255) return this.fail('-222')
      give(value)
      return undefined
    }
    return [
      { header: '*IDN?', run: () => `Tern Harbour,bench meter,${this.name},1` },
      {
        header: '*RST',
        run: () => {
          this.meter.reset()
          this.last = undefined
          return undefined
        },
      },
      {
        header: '*CLS',
        run: () => {
          this.errors = []
          this.events = 0
          return undefined
        },
      },
      {
        header: '*ESR?',
        run: () => {
          const was = this.events
          this.events = 0
          return String(was)
        },
      },
      { header: '*ESE', run: set((v) => (this.enabled = v)) },
      { header: '*ESE?', run: () => String(this.enabled) },
      { header: '*SRE', run: set((v) => (this.requests = v)) },
      { header: '*SRE?', run: () => String(this.requests) },
      { header: '*STB?', run: () => String(this.status | (this.status & this.requests ? 64 : 0)) },
      {
        header: '*OPC',
        run: () => {
          this.events |= ESR.complete
          return undefined
        },
      },
      { header: '*OPC?', run: () => '1' },
      { header: '*WAI', run: () => undefined },
      { header: '*TST?', run: () => '0' },
      {
        header: 'SYSTem:ERRor[:NEXT]?',
        run: () => {
          const code = this.errors.shift()
          return code === undefined ? '+0,"No error"' : `${code},"${ERRORS[code]}"`
        },
      },
      { header: 'SYSTem:VERSion?', run: () => '1999.0' },
    ]
  }
  private configure(measures: MeterFunction, args: readonly string[]): boolean {
    const [range] = args
    this.meter.configure(measures)
    if (range === undefined || /^(?:AUTO|DEF(?:AULT)?)$/i.test(range)) return true
    if (this.meter.fix(Number(range))) return true
    this.fail('-222')
    return false
  }
  private async read(): Promise<string> {
    const { value, takes } = this.meter.read()
    await this.wait(takes)
    this.last = value
    return writeNumber(value)
  }
  private measuring(): Command[] {
    const each = (
      [
        ['VOLTage:AC', 'VOLT:AC'],
        ['VOLTage[:DC]', 'VOLT'],
        ['RESistance', 'RES'],
        ['CURRent:AC', 'CURR:AC'],
      ] as const
    ).flatMap(([header, measures]): Command[] => [
      { header: `CONFigure:${header}`, run: (args) => void this.configure(measures, args) },
      {
        header: `MEASure:${header}?`,
        run: (args) => (this.configure(measures, args) ? this.read() : undefined),
      },
    ])
    return [
      ...each,
      { header: 'CONFigure?', run: () => `"${this.meter.measures} ${writeNumber(this.meter.range)}"` },
      { header: '[SENSe:]FUNCtion?', run: () => `"${this.meter.measures}"` },
      {
        header: '[SENSe:]FUNCtion',
        run: ([name]) => {
          if (name === undefined) return this.fail('-109', ESR.command)
          const measures = FUNCTIONS[shortOf(name)]
          if (!measures) return this.fail('-224')
          this.meter.configure(measures)
          return undefined
        },
      },
      { header: 'READ?', run: () => this.read() },
      {
        header: 'INITiate',
        run: async () => {
          await this.read()
          return undefined
        },
      },
      { header: 'FETCh?', run: () => (this.last === undefined ? this.fail('-230') : writeNumber(this.last)) },
    ]
  }
  private ranges(): Command[] {
    const { meter } = this
    return ['VOLTage:AC', 'VOLTage[:DC]', 'RESistance', 'CURRent:AC'].flatMap((header): Command[] => [
      { header: `[SENSe:]${header}:RANGe?`, run: () => writeNumber(meter.range) },
      {
        header: `[SENSe:]${header}:RANGe`,
        run: ([value]) =>
          value === undefined
            ? this.fail('-109', ESR.command)
            : meter.fix(Number(value))
              ? undefined
              : this.fail('-222'),
      },
      { header: `[SENSe:]${header}:RANGe:AUTO?`, run: () => (meter.auto ? '1' : '0') },
      {
        header: `[SENSe:]${header}:RANGe:AUTO`,
        run: ([on]) => {
          if (on === undefined) return this.fail('-109', ESR.command)
          if (!/^(?:ON|OFF|0|1)$/i.test(on)) return this.fail('-224')
          if (/^(?:OFF|0)$/i.test(on)) meter.fix(meter.range)
          else meter.auto = true
          return undefined
        },
      },
    ])
  }
}
