import { InputError } from '../../foundation/result'
import { problem } from '../../foundation/issues'
import { startingStates, type FaultedMachine, type ModeSetting } from '../../model/machine'
import type { Condition } from '../../model/sheet'
import type { SimulationCache } from './cache'
import { OperatingPoint } from './operating-point'
import type { PhaseTimes, Timeline, TimelineEvent } from './script'

const MAX_EVENTS = 20000

/** All that a run carries from one instant to the next. */
export class RunState {
  readonly point: OperatingPoint
  readonly modes: Int8Array
  readonly states: Float64Array
  readonly modeSince: Float64Array
  /** Value that a hand holds each mode at, -1 where it is free. */
  readonly manual: Int8Array
  /** Modes that have chattered: they stay as they are until the control switches something. */
  readonly chattering = new Set<number>()
  /** Alarms that are on, in the order in which they came. */
  readonly alarms = new Set<number>()
  readonly ever = new Set<Condition<number>>()
  /** Called before a phase is left, and when a program begins its phases anew. */
  onLeave: (() => void) | undefined
  onRestart: (() => void) | undefined
  chatters = false
  finalReached = false
  readonly events: TimelineEvent[] = []
  readonly samples: Timeline['samples'] = []
  readonly phases: PhaseTimes[]

  constructor(
    readonly faulted: FaultedMachine,
    cache: SimulationCache,
    starts: readonly ModeSetting[] = [],
  ) {
    const { machine, heldModes } = faulted
    this.modes = machine.modes.slice()
    this.states = startingStates(machine, faulted.values)
    this.modeSince = new Float64Array(this.modes.length)
    this.manual = new Int8Array(this.modes.length).fill(-1)
    this.phases = machine.phases.map(() => ({ from: NaN, to: NaN }))
    for (const { mode, value } of starts) this.modes[mode] = value
    for (let i = 0; i < this.modes.length; i++) if (heldModes[i] >= 0) this.modes[i] = heldModes[i]
    this.point = new OperatingPoint(faulted, this.modes, this.states, this.modeSince, cache)
  }

  /**
   * Records an event.
   *
   * @throws InputError `limit-reached` when a run has more than 20,000 of them
   */
  record(event: TimelineEvent): void {
    this.events.push(event)
    if (this.events.length <= MAX_EVENTS) return
    const busiest = this.busiest()
    throw new InputError([
      problem('limit-reached', busiest, {
        found: `${MAX_EVENTS} events by ${this.point.time.toFixed(1)} s, most of them there`,
        expected: 'a machine that comes to rest: what switches needs a time or a difference between on and off',
      }),
    ])
  }
  /** Path of what has changed most often: of the phases where the control never comes to rest, for all else follows them; else of the parts. */
  private busiest(): string[] {
    const { machine } = this.faulted
    const names = (events: readonly TimelineEvent[], name: (e: TimelineEvent) => string | undefined) => {
      const counts = new Map<string, number>()
      for (const e of events) {
        const at = name(e)
        if (at !== undefined) counts.set(at, (counts.get(at) ?? 0) + 1)
      }
      return [...counts].sort(([, a], [, b]) => b - a)
    }
    const phases = names(this.events, (e) =>
      e.type === 'phase' && e.phase >= 0 ? machine.phases[e.phase].id : undefined,
    )
    const restless = phases.reduce((sum, [, n]) => sum + n, 0) > MAX_EVENTS / 20
    if (restless) return ['phases', phases[0][0]]
    const [[part] = ['']] = names(this.events, (e) =>
      e.type === 'mode' ? machine.parts[machine.modeOwner[e.mode]].id : undefined,
    )
    return part ? ['parts', part] : ['simulate']
  }

  /** Whether a mode would change: no fault, hand or chatter holds it and it is not there already. */
  wouldChange(mode: number, value: number): boolean {
    return (
      this.faulted.heldModes[mode] < 0 &&
      this.manual[mode] < 0 &&
      !this.chattering.has(mode) &&
      this.modes[mode] !== value
    )
  }
  /** Sets a mode where nothing holds it. @returns whether it changed */
  setMode(mode: number, value: number): boolean {
    if (!this.wouldChange(mode, value)) return false
    const { time } = this.point
    this.modes[mode] = value
    this.modeSince[mode] = time
    this.point.modeChanged(mode)
    this.record({ time, type: 'mode', mode, value })
    return true
  }
  /** Sets a mode by hand and holds it there. */
  holdByHand(mode: number, value: number): void {
    this.manual[mode] = -1
    this.setMode(mode, value)
    this.manual[mode] = value
  }
}
