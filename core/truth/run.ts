import { startingStates, type FaultedMachine, type Machine, type ModeSetting } from '../model/machine'
import type { Part } from '../model/kinds'
import type { Script, Watched } from '../simulation/simulate'
import type { SolvedCache } from './electrics'
import { PlainControl } from './plain-control'
import { PlainPoint } from './plain-point'

/** Usual length of a step, s. */
export const STEP = 0.01
const ROUNDS = 60
/** What has gone to and fro this often in one instant chatters. */
const FLIPS = 8

/** A machine at one moment of a plain run, as instruments are put to it. */
export interface PlainSnapshot {
  time: number
  phase: number
  /** The code shown. */
  code: string | undefined
  point: PlainPoint
}

export interface PlainRun {
  /** Entries of phases in order; -1 when the control loses its supply. */
  phases: { time: number; phase: number }[]
  /** Place in `phases` at which the last program was begun. */
  begun: number
  alarms: string[]
  chatters: boolean
  /** For each complaint of the sheet, whether it holds at the end. */
  complaints: boolean[]
  /** The machine at each moment of the script; `undefined` where it was never reached. */
  snapshots: (PlainSnapshot | undefined)[]
  /** Where a moment never came: the machine when it was waited for. */
  standing: (PlainPoint | undefined)[]
  /** What was seen of each watch of the script; `undefined` where its stretch never began. */
  watched: (Watched | undefined)[]
  /** What it leaves tripped or blown. */
  left: ModeSetting[]
}

/** A run on its way. */
export class PlainRunner {
  readonly point: PlainPoint
  readonly control: PlainControl
  readonly snapshots: (PlainSnapshot | undefined)[]
  readonly standing: (PlainPoint | undefined)[]
  watched: (Watched | undefined)[]
  begun = 0
  private readonly steps: Script['steps']
  private readonly seen: boolean[]
  private readonly reacting: readonly Part[]
  private readonly changing: readonly Part[]
  private readonly flips: Int32Array
  private readonly rates: Float64Array
  private quiet = true

  constructor(
    faulted: FaultedMachine,
    private readonly script: Script,
    private readonly step: number,
    cache: SolvedCache,
  ) {
    const { machine, parts, heldModes } = faulted
    const initial = machine.modes.slice()
    for (const { mode, value } of script.starts ?? []) initial[mode] = value
    const modes = initial.map((value, i) => (heldModes[i] >= 0 ? heldModes[i] : value))
    this.point = new PlainPoint(
      faulted,
      modes,
      startingStates(machine, faulted.values),
      new Float64Array(modes.length),
      cache,
    )
    this.control = new PlainControl(this.point, step)
    this.steps = [...script.steps].sort((a, b) => a.at - b.at)
    this.seen = script.moments.map((_, i) => script.neededMoments?.includes(i) === false)
    this.snapshots = script.moments.map(() => undefined)
    this.standing = script.moments.map(() => undefined)
    this.watched = (script.watches ?? []).map(() => undefined)
    this.control.beforeLeaving = () => this.watch(0)
    this.reacting = parts.filter((p) => machine.kinds[p.index].transition)
    this.changing = parts.filter((p) => machine.kinds[p.index].rates)
    this.flips = new Int32Array(modes.length)
    this.rates = new Float64Array(this.point.states.length)
  }
  /** Hands will do this besides, at its time. */
  plan(steps: Script['steps']): void {
    this.steps.push(...steps)
    this.steps.sort((a, b) => a.at - b.at)
  }
  private readonly flip = (mode: number, value: number): void => {
    if (!this.control.set(mode, value)) return
    this.quiet = false
    if (++this.flips[mode] < FLIPS) return
    this.control.chattering.add(mode)
    this.control.chatters = true
  }
  private settle(): void {
    const { kinds } = this.point.faulted.machine
    this.flips.fill(0)
    for (let round = 0; round < ROUNDS; round++) {
      this.quiet = true
      for (const part of this.reacting) kinds[part.index].transition!(part, this.point, this.flip)
      if (this.quiet && !this.control.act()) return
    }
  }
  private hands({ hold, free, start }: Script['steps'][number]): void {
    const { control, point } = this
    const { machine, heldModes } = point.faulted
    for (const { mode, value } of hold ?? []) control.put(mode, value)
    for (const mode of free ?? []) {
      control.manual[mode] = -1
      if (heldModes[mode] < 0) control.set(mode, machine.modes[mode])
    }
    control.chattering.clear()
    if (start === undefined) return
    for (const { mode, value } of machine.programs[start].sets) control.put(mode, value)
    this.settle()
    const before = control.phases.length
    this.control.beforeLeaving = () => undefined
    if (control.start(start)) {
      this.begun = before
      this.watched = this.watched.map(() => undefined)
    }
    this.control.beforeLeaving = () => this.watch(0)
  }
  /** Looks at what is watched in the phase that runs. @param seconds that it will stay as it is */
  private watch(seconds: number): void {
    const { point, control } = this
    this.script.watches?.forEach(({ through, part, signal }, k) => {
      const there =
        through.type === 'phase'
          ? control.phase === through.phase && control.entered === control.firstEntry.get(through.phase)
          : point.time >= through.from - this.step / 4 && point.time < through.to - this.step / 4
      if (!there) return
      const on = point.signal(part, signal) > 0.5
      const watched = (this.watched[k] ??= { seconds: 0, on: 0, ever: false, last: on })
      watched.seconds += seconds
      if (on) watched.on += seconds
      watched.ever ||= on
      watched.last = on
    })
  }
  /** Whether every stretch that is watched is over. */
  private get allWatched(): boolean {
    return this.watched.every((watched, k) => {
      const { through } = this.script.watches![k]
      const goesOn = through.type === 'phase' ? this.control.phase === through.phase : this.point.time < through.to
      return watched !== undefined && !goesOn
    })
  }
  private visit(): void {
    const { point, control, step } = this
    this.script.moments.forEach((moment, i) => {
      if (this.seen[i]) return
      const first = moment.type === 'time' ? undefined : control.firstEntry.get(moment.phase)
      if (moment.type === 'phase' && first === undefined && point.time >= (moment.expected ?? Infinity))
        this.standing[i] ??= point.snapshot()
      const at = moment.type === 'time' ? moment.at : (first ?? Infinity) + moment.after
      if (point.time < at - step / 4) return
      this.seen[i] = true
      this.standing[i] = undefined
      const there = moment.type === 'time' || (control.phase === moment.phase && control.entered === first)
      if (there)
        this.snapshots[i] = { time: point.time, phase: control.phase, code: control.code, point: point.snapshot() }
    })
  }
  /** What happens at one instant, and the step to the next. @returns false when nothing more is asked for */
  advance(time: number): boolean {
    const { script } = this
    if (script.neededMoments && this.seen.every(Boolean) && this.allWatched) return false
    const { point, steps, step, rates } = this
    const { kinds } = point.faulted.machine
    point.time = time
    while (steps.length && steps[0].at <= time + step / 4) this.hands(steps.shift()!)
    this.settle()
    this.control.remember()
    this.visit()
    this.watch(step)
    rates.fill(0)
    for (const part of this.changing) kinds[part.index].rates!(part, point, rates)
    if (rates.every((rate) => rate === 0)) return true
    for (let i = 0; i < rates.length; i++) point.states[i] += rates[i] * step
    point.statesChanged()
    return true
  }
}

/**
 * Runs a faulted machine in steps of one length: at each step the parts react until they are stable and the control moves
 * on, then every state goes one Euler step further. Nothing is skipped and no event is searched for.
 *
 * @param step s; a longer one is as much less exact about when things happen
 */
export function runPlain(
  faulted: FaultedMachine,
  script: Script,
  step = STEP,
  cache: SolvedCache = new Map(),
): PlainRun {
  const runner = new PlainRunner(faulted, script, step, cache)
  const last = Math.round(script.until / step)
  for (let k = 0; k <= last && runner.advance(k * step); k++);
  const { control, snapshots, standing, watched, begun } = runner
  const { alarms, complaints } = faulted.machine
  return {
    phases: control.phases,
    begun,
    alarms: control.alarms.map((a) => alarms[a].code),
    chatters: control.chatters,
    complaints: complaints.map((c) => control.holds(c.when)),
    snapshots,
    standing,
    watched,
    left: faulted.machine.staying
      .filter((mode) => faulted.heldModes[mode] < 0 && runner.point.modes[mode] !== faulted.machine.modes[mode])
      .map((mode) => ({ mode, value: runner.point.modes[mode] })),
  }
}

/** First entry of each phase and the entry of the one after it, s; NaN where it did not come. */
export function phaseTimes(machine: Machine, run: PlainRun): { from: number; to: number }[] {
  return machine.phases.map(({ index }) => {
    const k = run.phases.findIndex((p, i) => i >= run.begun && p.phase === index)
    return { from: k < 0 ? NaN : run.phases[k].time, to: k < 0 ? NaN : (run.phases[k + 1]?.time ?? NaN) }
  })
}
