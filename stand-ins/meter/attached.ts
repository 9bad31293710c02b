import { setTimeout as sleep } from 'node:timers/promises'
import { createEngine } from '../../core/advice'
import { DrawnMachine, pick, random } from '../../core/truth'
import { severityAt, type ActiveFault, type Machine } from '../../core/model/machine'
import { activeFaultsOf, fail, loadSheet } from '../../cli/input'
import { Instrument, type MeterFunction } from './instrument'
import { Line } from './line'
import { Session } from './session'

export interface Attachment {
  sheet: string
  /** Faults as the command line names them, `hidden` for one that is drawn and not said, none for a good machine. */
  faults: readonly string[]
  seed: number
  /** Where the tips of each meter sit: `PART:TERMINAL:TERMINAL`. */
  tips: readonly string[]
  /** Port of the first meter, the next ones follow; 0 for free ones. */
  port: number
  /** Seconds of the machine in one second. */
  pace: number
}

function tipsOf(machine: Machine, text: string) {
  const [part, a, b] = text.split(':')
  const own = machine.parts.find((p) => p.id === part)
  if (!own) return fail('unknown-part', ['--tips'], text, 'PART:TERMINAL:TERMINAL')
  const terminals = Object.keys(own.nodes)
  for (const t of [a, b])
    if (t === undefined || !terminals.includes(t))
      return fail('unknown-terminal', ['--tips', text], t ?? 'nothing', `terminals of ${part}: ${terminals.join(', ')}`)
  return { part: own.index, a: a!, b: b! }
}

/** A machine that stands there with meters on it, each behind a port of its own. */
export class Attached {
  private readonly begun = performance.now()
  private off = false
  private constructor(
    private readonly machine: Machine,
    readonly faults: readonly ActiveFault[],
    private readonly live: ReturnType<DrawnMachine['live']>,
    private readonly lines: readonly Line[],
    readonly ports: readonly number[],
    private readonly pace: number,
  ) {}

  static async begin({ sheet, faults, seed, tips, port, pace }: Attachment): Promise<Attached> {
    const { catalogue } = createEngine(loadSheet(sheet))
    const { machine } = catalogue
    const next = random(seed)
    const hidden = (): ActiveFault => {
      const fault = pick(next, machine.faults)
      return { fault, severity: fault.severity && severityAt(fault.severity, 0.1 + 0.8 * next()) }
    }
    const active = faults[0] === 'hidden' ? [hidden()] : activeFaultsOf(machine, faults)
    const live = new DrawnMachine(catalogue, active, next, undefined, 0).live()
    const lines: Line[] = []
    const ports: number[] = []
    let attached: Attached | undefined
    for (const [k, text] of tips.entries()) {
      const place = tipsOf(machine, text)
      const between = (measures: MeterFunction): number => {
        attached?.catchUp()
        const dead = attached?.off ?? false
        if (measures === 'RES') return dead ? live.ohms(place) : Infinity
        if (dead) return 0
        if (measures === 'CURR:AC') return live.amps(place)
        return live.volts(place, measures === 'VOLT' ? 'dc' : 'ac')
      }
      const meter = new Instrument(random(seed + 1000 * (k + 1)), between)
      const line = new Line(() => new Session(meter, `M${k + 1}`, (s) => sleep(s * 1000)))
      ports.push(await line.listen(port && port + k))
      lines.push(line)
    }
    return (attached = new Attached(machine, active, live, lines, ports, pace))
  }
  private catchUp(): void {
    this.live.goTo(((performance.now() - this.begun) / 1000) * this.pace)
  }
  /** Starts a program, as a hand at the machine does. */
  start(program: string | undefined): void {
    this.catchUp()
    const { programs } = this.machine
    const k = program === undefined ? 0 : programs.findIndex((p) => p.id === program)
    if (k < 0) fail('unknown-program', ['start'], program!, programs.map((p) => p.id).join(', '))
    this.live.begin(k)
  }
  /** Takes the supplies off, or puts them back: ohms are read dead. */
  isolate(off: boolean): void {
    this.catchUp()
    this.off = off
  }
  get shows() {
    this.catchUp()
    return this.live.shows
  }
  drop(meter: number, seconds: number): Promise<void> | undefined {
    return this.lines[meter]?.drop(seconds)
  }
  garble(meter: number, count: number): void {
    this.lines[meter]?.garble(count)
  }
  async end(): Promise<void> {
    await Promise.all(this.lines.map((l) => l.close()))
  }
}
