import { eversOf, isControlOnly, type Condition, type EverCondition } from '../model/sheet'
import type { Machine } from '../model/machine'
import type { PlainPoint } from './plain-point'

/** The control of a machine in a plain run, and the modes that it and the parts set. */
export class PlainControl {
  phase = -1
  /** When the phase was entered, and each phase first, s. */
  entered = 0
  readonly firstEntry = new Map<number, number>()
  /** Entries of phases in order; -1 when the control loses its supply. */
  readonly phases: { time: number; phase: number }[] = []
  /** Alarms that are on, in the order in which they came. */
  alarms: number[] = []
  chatters = false
  /** Value that a hand holds each mode at, -1 where it is free. */
  readonly manual: Int8Array
  readonly chattering = new Set<number>()
  private readonly ever = new Set<Condition<number>>()
  private readonly evers: readonly EverCondition<number>[]
  private readonly machine: Machine

  constructor(
    private readonly point: PlainPoint,
    /** Length of a step, s: as exact as a time limit can be met. */
    private readonly step: number,
  ) {
    const { machine } = point.faulted
    this.machine = machine
    this.manual = new Int8Array(machine.modes.length).fill(-1)
    this.evers = [
      ...machine.complaints.map((c) => c.when),
      ...machine.alarms.flatMap((a) => a.clears ?? []),
      ...machine.programs.flatMap((p) => p.needs ?? []),
      ...machine.phases.flatMap((p) => p.exits.map((e) => e.when)),
    ].flatMap((c) => [...eversOf(c)])
  }

  holds = (c: Condition<number>): boolean => {
    switch (c.type) {
      case 'and':
        return c.of.every(this.holds)
      case 'or':
        return c.of.some(this.holds)
      case 'not':
        return !this.holds(c.of)
      case 'ever':
        return this.ever.has(c) || this.holds(c.of)
      case 'after':
        return this.point.time - this.entered >= c.seconds - this.step / 4
      case 'alarm':
        return this.alarms.includes(c.alarm)
      case 'phase':
        return this.phase === c.phase
      case 'chatters':
        return this.chatters
      case 'signal':
        return this.point.signal(c.part, c.signal) > 0.5
      case 'compare':
      case 'compare-signals': {
        const bound = c.type === 'compare' ? c.si : this.point.signal(c.other.part, c.other.signal)
        const over = this.point.signal(c.part, c.signal) - bound
        return c.op === '>=' ? over >= 0 : c.op === '<=' ? over <= 0 : c.op === '>' ? over > 0 : over < 0
      }
    }
  }
  /** Remembers what holds now and is asked about for ever after. */
  remember(which: (c: EverCondition<number>) => boolean = () => true): void {
    for (const c of this.evers) if (!this.ever.has(c) && which(c) && this.holds(c.of)) this.ever.add(c)
  }
  get powered(): boolean {
    const { powered } = this.machine
    return powered === undefined || this.holds(powered)
  }

  /** Called before each phase is left. */
  beforeLeaving = (): void => undefined

  set(mode: number, value: number): boolean {
    const { modes, modeSince, time, faulted } = this.point
    const held = faulted.heldModes[mode] >= 0 || this.manual[mode] >= 0 || this.chattering.has(mode)
    if (held || modes[mode] === value) return false
    modes[mode] = value
    modeSince[mode] = time
    this.point.modeChanged()
    return true
  }
  put(mode: number, value: number): void {
    this.manual[mode] = -1
    this.set(mode, value)
    this.manual[mode] = value
  }

  enter(phase: number): void {
    const { time } = this.point
    this.beforeLeaving()
    this.phase = phase
    this.entered = time
    if (!this.firstEntry.has(phase)) this.firstEntry.set(phase, time)
    this.phases.push({ time, phase })
    this.remember((c) => isControlOnly(c.of))
    this.chattering.clear()
    const on = phase < 0 ? [] : this.machine.phases[phase].on
    for (const mode of this.machine.commands) this.set(mode, on.includes(mode) ? 1 : 0)
  }
  clear(alarm: number): void {
    this.alarms = this.alarms.filter((a) => a !== alarm)
  }
  /** One thing that the control does now. @returns false when it has nothing to do */
  act(): boolean {
    const { machine } = this
    const over = machine.alarms.find((a) => a.clears && this.alarms.includes(a.index) && this.holds(a.clears))
    if (over) {
      this.clear(over.index)
      return true
    }
    if (!this.powered) {
      if (this.phase < 0) return false
      this.enter(-1)
      return true
    }
    if (this.phase < 0) {
      if (machine.idlePhase < 0) return false
      this.alarms = this.alarms.filter((a) => machine.alarms[a].retained)
      this.enter(machine.idlePhase)
      return true
    }
    const exit = machine.phases[this.phase].exits.find((e) => this.holds(e.when))
    if (!exit) return false
    if (exit.alarm !== undefined && !this.alarms.includes(exit.alarm)) this.alarms.push(exit.alarm)
    this.enter(exit.to)
    return true
  }
  /** Starts a program where it may be. @returns whether its first phase was entered */
  start(program: number): boolean {
    const { needs, resets, firstPhase } = this.machine.programs[program]
    if (!this.powered || (needs && !this.holds(needs))) return false
    for (const alarm of resets) this.clear(alarm)
    if (firstPhase < 0) return false
    this.firstEntry.clear()
    this.enter(firstPhase)
    return true
  }
  /** The code shown, `undefined` where none is. */
  get code(): string | undefined {
    const last = this.alarms.at(-1)
    return last === undefined ? undefined : this.machine.alarms[last].code
  }
}
