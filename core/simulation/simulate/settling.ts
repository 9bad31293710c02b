import { InputError } from '../../foundation/result'
import { problem } from '../../foundation/issues'
import type { Part } from '../../model/kinds'
import type { Control } from './control'
import type { RunState } from './run-state'

const MAX_ROUNDS = 400
/** Rounds of one instant that are simply let go before anybody looks whether it goes round in a circle. */
const CALM_ROUNDS = 12

/** Brings a run to rest at one instant: parts and control make their transitions until all are stable. */
export class Settling {
  private readonly reactive: readonly Part[]
  /** Modes changed in this instant, in order. */
  private readonly changed: number[] = []
  private asked = false

  constructor(
    private readonly run: RunState,
    private readonly control: Control,
  ) {
    const { parts, machine } = run.faulted
    this.reactive = parts.filter((p) => machine.kinds[p.index].transition)
  }

  // Parts are asked very often: what they are handed is made once.
  private readonly change = (mode: number, value: number): void => {
    if (this.run.setMode(mode, value)) this.changed.push(mode)
  }
  private readonly noteRequest = (mode: number, value: number): void => {
    this.asked ||= this.run.wouldChange(mode, value)
  }
  private isUnstable(part: Part): boolean {
    const { faulted, point } = this.run
    this.asked = false
    faulted.machine.kinds[part.index].transition!(part, point, this.noteRequest)
    return this.asked
  }

  /**
   * Transitions one after another, in the order of the sheet. A state that comes back within one instant is reported as
   * chatter and its modes stay as they are.
   *
   * @throws InputError `limit-reached` after 400 rounds without rest
   */
  settle(): void {
    const { run, control, changed } = this
    const { faulted, point, modes } = run
    const { kinds } = faulted.machine
    const seen = new Map<string, number>()
    changed.length = 0
    for (let round = 0; round < MAX_ROUNDS; round++) {
      const already = changed.length
      for (const part of this.reactive) kinds[part.index].transition!(part, point, this.change)
      if (changed.length === already && !control.step()) {
        control.recordEver()
        run.samples.push({ time: point.time, states: run.states.slice() })
        return
      }
      if (round < CALM_ROUNDS) continue
      const key = `${modes.join(',')}|${point.phase}`
      const before = seen.get(key)
      if (before !== undefined && changed.length > before) this.reportChatter([...new Set(changed.slice(before))])
      seen.set(key, changed.length)
    }
    throw new InputError([
      problem('limit-reached', ['simulate'], {
        found: `no rest at ${point.time.toFixed(2)} s`,
        expected: 'phases that wait for something',
      }),
    ])
  }
  private reportChatter(modes: number[]): void {
    const { run } = this
    for (const mode of modes) run.chattering.add(mode)
    run.chatters = true
    run.record({ time: run.point.time, type: 'chatters', modes })
  }

  /** What is not stable in the present state: checks of parts and control, each to be asked again in another state. */
  unstable(): (() => boolean)[] {
    const out: (() => boolean)[] = []
    for (const part of this.reactive) if (this.isUnstable(part)) out.push(() => this.isUnstable(part))
    out.push(...this.control.pending())
    return out
  }
}
