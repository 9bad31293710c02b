import type { FaultedMachine } from '../model/machine'
import { findMeter } from '../simulation/instrument'
import { programSteps } from '../simulation/simulate'
import { ohmsOf, voltsWith } from './plain-instruments'
import { PlainRunner } from './run'

/** Step of a machine that runs as time goes by, s: a meter integrates for longer. */
const LIVE_STEP = 0.05

/** Two terminals that tips sit at. */
export interface Tips {
  part: number
  a: string
  b: string
}

/** A machine by the plain simulator that runs as time goes by, with tips of meters on it. */
export class LivePlain {
  private readonly runner: PlainRunner
  private steps = 0

  constructor(private readonly faulted: FaultedMachine) {
    const script = { steps: [], until: Infinity, stopsWhenFinal: false, moments: [] }
    this.runner = new PlainRunner(faulted, script, LIVE_STEP, new Map())
    this.runner.advance(0)
  }

  /** s since it stands there */
  get time(): number {
    return this.steps * LIVE_STEP
  }
  /** Goes on to this time; a time that is past changes nothing. @param time s */
  goTo(time: number): void {
    while ((this.steps + 1) * LIVE_STEP <= time) this.runner.advance(++this.steps * LIVE_STEP)
  }
  /** Starts a program now, as a hand at its controls does. */
  begin(program: number): void {
    this.runner.plan(programSteps(this.faulted.machine, program, this.time + LIVE_STEP))
  }
  /** Title of the phase that runs, and the code shown. */
  get shows(): { phase: string | undefined; code: string | undefined } {
    const { phase, code } = this.runner.control
    return { phase: this.faulted.machine.phases[phase]?.title, code }
  }

  /** The phase that runs, by its index; -1 where none does. */
  get phase(): number {
    return this.runner.control.phase
  }
  /** Whether a signal of a part is on. */
  isOn(part: number, signal: string): boolean {
    return this.runner.point.signal(part, signal) > 0.5
  }

  private nodes({ part, a, b }: Tips): [number, number] {
    const { nodes } = this.faulted.parts[part]
    return [nodes[a], nodes[b]]
  }
  /** Volts between the tips of a meter of 10 MΩ: the RMS of the alternating part, or the mean. */
  volts(tips: Tips, coupling: 'ac' | 'dc'): number {
    const [a, b] = this.nodes(tips)
    return voltsWith(this.runner.point, a, b, findMeter(coupling === 'ac' ? 'volts' : 'volts-dc')!)
  }
  /** Ω between the tips with every source switched off, as the contacts stand now; `Infinity` where nothing joins them. */
  ohms(tips: Tips): number {
    const [a, b] = this.nodes(tips)
    return ohmsOf(this.runner.point, a, b, undefined)
  }
  /** A in the lead of the part whose terminal the clamp encloses. */
  amps({ part, a }: Tips): number {
    const own = this.faulted.parts[part]
    return this.runner.point.amps(own, own.nodes[a])
  }
}
