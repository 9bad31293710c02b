import type { FaultedMachine } from '../../model/machine'
import { newSimulationCache, type SimulationCache } from './cache'
import { Control } from './control'
import { Integration } from './integration'
import type { OperatingPoint } from './operating-point'
import { RunState } from './run-state'
import type { Script, ScriptStep, Timeline } from './script'
import { Settling } from './settling'
import { Watches } from './watches'

/** What rounding leaves of a time that was aimed at, s. */
const SLACK = 1e-9
/** The run goes on by this much where its next limit is already past, s. */
const SMALLEST_ADVANCE = 1e-6

/** The moments of a script: which are past, and what the machine was at them. */
class Moments {
  readonly snapshots: (OperatingPoint | undefined)[]
  readonly displayedCodes: (string | undefined)[]
  /** The machine when a moment was waited for that had not come. */
  readonly standing: (OperatingPoint | undefined)[]
  private readonly done: boolean[]

  constructor(
    private readonly script: Script,
    private readonly run: RunState,
  ) {
    this.snapshots = script.moments.map(() => undefined)
    this.displayedCodes = script.moments.map(() => undefined)
    this.standing = script.moments.map(() => undefined)
    this.done = script.moments.map((_, k) => script.neededMoments?.includes(k) === false)
  }
  /** When a moment comes, s; Infinity as long as its phase has not been entered. */
  private timeOf(k: number): number {
    const moment = this.script.moments[k]
    if (moment.type === 'time') return moment.at
    const { from } = this.run.phases[moment.phase]
    return Number.isNaN(from) ? Infinity : from + moment.after
  }
  private expectedAt(k: number): number {
    const moment = this.script.moments[k]
    return moment.type === 'phase' ? (moment.expected ?? Infinity) : Infinity
  }
  private latest: { events: number; point: OperatingPoint } | undefined
  /** A machine that has come to a stop stands as it stood: one copy does for all that it never comes to. */
  private asItStands(): OperatingPoint {
    const { events, point } = this.run
    if (this.latest?.events !== events.length) this.latest = { events: events.length, point: point.snapshot() }
    return this.latest.point
  }
  /** Takes the snapshots that are due. */
  visit(): void {
    const { point, phases, alarms, faulted } = this.run
    this.script.moments.forEach((moment, k) => {
      if (this.done[k]) return
      if (moment.type === 'phase' && !this.standing[k] && point.time >= this.expectedAt(k) - SLACK)
        this.standing[k] = this.asItStands()
      if (point.time < this.timeOf(k) - SLACK) return
      this.done[k] = true
      this.standing[k] = undefined
      if (moment.type === 'time' || (point.phase === moment.phase && point.phaseSince === phases[moment.phase].from))
        this.snapshots[k] = point.snapshot()
      const last = [...alarms].at(-1)
      this.displayedCodes[k] = last === undefined ? undefined : faulted.machine.alarms[last].code
    })
  }
  /** The next moment to stop at, s. */
  next(): number {
    let limit = Infinity
    for (let k = 0; k < this.done.length; k++)
      if (!this.done[k]) {
        limit = Math.min(limit, Math.max(this.run.point.time, this.timeOf(k)))
        if (!this.standing[k] && this.expectedAt(k) > this.run.point.time) limit = Math.min(limit, this.expectedAt(k))
      }
    return limit
  }
  /** Whether all that is asked for has been seen. */
  get served(): boolean {
    return this.script.neededMoments !== undefined && this.done.every(Boolean)
  }
  /** Whether none at a fixed time is still to come. */
  get timesPast(): boolean {
    return this.script.moments.every((moment, k) => this.done[k] || moment.type === 'phase')
  }
}

/** What hands do at one step of the script. */
function apply(step: ScriptStep, run: RunState, control: Control, settling: Settling): void {
  const { machine, heldModes } = run.faulted
  for (const { mode, value } of step.hold ?? []) run.holdByHand(mode, value)
  for (const mode of step.free ?? []) {
    run.manual[mode] = -1
    if (heldModes[mode] < 0) run.setMode(mode, machine.modes[mode])
  }
  run.chattering.clear()
  if (step.start === undefined) return
  for (const { mode, value } of machine.programs[step.start].sets) {
    run.setMode(mode, value)
    run.manual[mode] = value
  }
  settling.settle()
  control.start(step.start)
}

/** The next time at which something may happen by the clock alone, s. */
function nextTimeEvent(run: RunState): number {
  const { point, faulted } = run
  const { machine, parts } = faulted
  let limit = Infinity
  const consider = (at: number) => {
    if (at > point.time + SLACK) limit = Math.min(limit, at)
  }
  if (point.phase >= 0) for (const after of machine.phases[point.phase].timeLimits) consider(point.phaseSince + after)
  for (const part of parts) {
    const kind = machine.kinds[part.index]
    if (kind.nextTimeEvent) consider(kind.nextTimeEvent(part, point))
  }
  return limit
}

/**
 * Runs a faulted machine through a script, from event to event.
 *
 * Between events states follow adaptive Bogacki–Shampine 3(2) steps; an event is the first instant at which some part or
 * the control is no longer stable, found by bisection to 10 µs. At an event parts and control make their transitions one
 * after another, in the order of the sheet, until all are stable.
 *
 * @throws InputError `limit-reached` when a run has more than 20,000 events, or one instant does not come to rest
 */
export function simulate(
  faulted: FaultedMachine,
  script: Script,
  cache: SimulationCache = newSimulationCache(),
): Timeline {
  const run = new RunState(faulted, cache, script.starts)
  const control = new Control(run)
  const settling = new Settling(run, control)
  const watches = new Watches(script.watches ?? [], run)
  const integration = new Integration(run, settling, watches)
  run.onLeave = () => watches.visit()
  run.onRestart = () => watches.restart()
  const moments = new Moments(script, run)
  const { point } = run
  const steps = [...script.steps].sort((a, b) => a.at - b.at)
  let next = 0
  let unsettled = false
  for (;;) {
    while (next < steps.length && steps[next].at <= point.time + 1e-12) apply(steps[next++], run, control, settling)
    settling.settle()
    if (point.water.unsettled && !unsettled) run.record({ time: point.time, type: 'unsettled' })
    unsettled ||= point.water.unsettled
    watches.visit()
    moments.visit()
    const rests = run.finalReached && next === steps.length && moments.timesPast
    if ((moments.served && watches.areOver) || point.time >= script.until - SLACK || (script.stopsWhenFinal && rests))
      break
    const limit = Math.min(
      script.until,
      steps[next]?.at ?? Infinity,
      moments.next(),
      watches.next(),
      nextTimeEvent(run),
    )
    integration.advance(limit > point.time ? limit : Math.min(script.until, point.time + SMALLEST_ADVANCE))
  }
  const { machine } = faulted
  return {
    events: run.events,
    samples: run.samples,
    snapshots: moments.snapshots,
    standing: moments.standing,
    watched: watches.watched,
    displayedCodes: moments.displayedCodes,
    end: point.snapshot(),
    alarms: [...run.alarms].map((a) => machine.alarms[a].code),
    complaints: machine.complaints.map((c) => control.holds(c.when)),
    phases: run.phases,
  }
}
