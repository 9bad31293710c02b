import { eversOf, isControlOnly, type Condition, type EverCondition } from '../../model/sheet'
import type { Alarm, Machine } from '../../model/machine'
import { conditionHolds } from './conditions'
import type { RunState } from './run-state'

interface ControlTransition {
  to: number
  alarm: number | undefined
}

/** The control of a machine in a run: its phases, its alarms, and what has ever held. */
export class Control {
  private readonly machine: Machine
  private readonly evers: readonly EverCondition<number>[]
  /** Those that may come true and pass within one instant. */
  private readonly instantaneous: readonly EverCondition<number>[]

  constructor(private readonly run: RunState) {
    this.machine = run.faulted.machine
    const { alarms, programs, complaints, phases } = this.machine
    const conditions = [
      ...alarms.flatMap((a) => a.clears ?? []),
      ...programs.flatMap((p) => p.needs ?? []),
      ...complaints.map((c) => c.when),
      ...phases.flatMap((p) => p.exits.map((e) => e.when)),
    ]
    this.evers = [...new Set(conditions.flatMap((c) => [...eversOf(c)]))]
    this.instantaneous = this.evers.filter((c) => isControlOnly(c.of))
  }

  holds(condition: Condition<number>): boolean {
    return conditionHolds(condition, this.run)
  }
  get powered(): boolean {
    const { powered } = this.machine
    return powered === undefined || this.holds(powered)
  }

  /** Enters a phase, or none (-1): its outputs are switched. */
  enter(phase: number): void {
    const { run, machine } = this
    const { point, phases } = run
    run.onLeave?.()
    if (point.phase >= 0 && Number.isNaN(phases[point.phase].to)) phases[point.phase].to = point.time
    point.phase = phase
    point.phaseSince = point.time
    if (phase >= 0) {
      if (Number.isNaN(phases[phase].from)) phases[phase].from = point.time
      if (machine.phases[phase].final) run.finalReached = true
    }
    run.record({ time: point.time, type: 'phase', phase })
    // A phase may be left in the instant in which it is entered; that it was there counts all the same.
    for (const c of this.instantaneous) if (this.isNew(c)) run.ever.add(c)
    run.chattering.clear()
    const on = phase < 0 ? [] : machine.phases[phase].on
    for (const mode of machine.commands) run.setMode(mode, on.includes(mode) ? 1 : 0)
  }

  /** The first transition that is due, without making it. */
  dueTransition(): ControlTransition | undefined {
    const { machine, run } = this
    const { phase } = run.point
    if (!this.powered) return phase >= 0 ? { to: -1, alarm: undefined } : undefined
    if (phase >= 0) return machine.phases[phase].exits.find((e) => this.holds(e.when))
    return machine.idlePhase >= 0 ? { to: machine.idlePhase, alarm: undefined } : undefined
  }
  /** An alarm whose time is over by itself. */
  clearableAlarm(): Alarm | undefined {
    return this.machine.alarms.find((a) => a.clears && this.run.alarms.has(a.index) && this.holds(a.clears))
  }
  clear(alarm: number): void {
    const { run, machine } = this
    if (run.alarms.delete(alarm))
      run.record({ time: run.point.time, type: 'cleared', code: machine.alarms[alarm].code })
  }
  /** Makes one transition that is due. @returns false when there is none */
  step(): boolean {
    const { run, machine } = this
    const over = this.clearableAlarm()
    if (over) {
      this.clear(over.index)
      return true
    }
    const next = this.dueTransition()
    if (!next) return false
    // What the control had to say it has forgotten when it wakes up, unless it keeps it.
    if (run.point.phase < 0) for (const a of machine.alarms) if (!a.retained) this.clear(a.index)
    if (next.alarm !== undefined && !run.alarms.has(next.alarm)) {
      run.alarms.add(next.alarm)
      run.record({ time: run.point.time, type: 'alarm', code: machine.alarms[next.alarm].code })
    }
    this.enter(next.to)
    return true
  }

  /** Starts a program, if what it needs holds and the control is powered. */
  start(program: number): void {
    const { run } = this
    const { needs, resets, firstPhase } = this.machine.programs[program]
    if ((needs !== undefined && !this.holds(needs)) || !this.powered) return
    for (const alarm of resets) this.clear(alarm)
    if (firstPhase < 0) return
    // A program begins its phases anew, whatever the control was doing by itself.
    for (const times of run.phases) times.from = times.to = NaN
    run.point.phase = -1
    run.onRestart?.()
    this.enter(firstPhase)
  }

  private isNew(c: EverCondition<number>): boolean {
    return !this.run.ever.has(c) && this.holds(c.of)
  }
  /** Remembers what holds now and is asked about for ever after. */
  recordEver(): void {
    for (const c of this.evers) if (this.isNew(c)) this.run.ever.add(c)
  }
  /** Checks of what the control would do or remember in the present state, each to be asked again in another. */
  pending(): (() => boolean)[] {
    const out: (() => boolean)[] = []
    const due = () => this.clearableAlarm() !== undefined || this.dueTransition() !== undefined
    if (due()) out.push(due)
    // What somebody asks about for ever after is an event too, however soon it passes.
    for (const c of this.evers) if (this.isNew(c)) out.push(() => this.isNew(c))
    return out
  }
}
