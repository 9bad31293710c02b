import { problem } from '../../foundation/issues'
import { InputError } from '../../foundation/result'
import type { Part } from '../../model/kinds'
import type { ModeSetting, FaultedMachine } from '../../model/machine'
import { isControlOnly, type Condition } from '../../model/sheet'
import { eversOf, conditionHolds, type Ever, type ConditionScope } from './conditions'
import { newNetworkCache, type NetworkCache } from './networks'
import { OperatingPoint } from './operating-point'

/** When to look at the running machine. */
export type Moment =
  /** Seconds after the first entry of a phase, while that phase still runs. */
  | { type: 'phase'; phase: number; after: number }
  /** Seconds after the start of the script. */
  | { type: 'time'; at: number }

/** What happens to the machine from outside, by time. */
export interface Script {
  steps: { at: number; hold?: ModeSetting[]; free?: number[]; start?: number }[]
  until: number
  /** The run may stop once a final phase has been entered and every moment of the script is past. */
  stopsWhenFinal: boolean
  moments: readonly Moment[]
  /** Places of the moments that are of use: the run ends with the last of them. All, and to the end, when left out. */
  neededMoments?: readonly number[]
}

export type TimelineEvent =
  | { time: number; type: 'phase'; phase: number }
  | { time: number; type: 'mode'; mode: number; value: number }
  | { time: number; type: 'alarm' | 'cleared'; code: string }
  | { time: number; type: 'chatters'; modes: number[] }

/** One run from start to end. */
export interface Timeline {
  events: TimelineEvent[]
  /** Continuous states at each event. */
  samples: { time: number; states: Float64Array }[]
  /** The operating point at each moment of the script, `undefined` where it was never reached. */
  snapshots: (OperatingPoint | undefined)[]
  /** The code shown at each moment, `undefined` where none is. */
  displayedCodes: (string | undefined)[]
  end: OperatingPoint
  alarms: string[]
  /** For each complaint of the sheet, whether its condition holds at the end. */
  complaints: boolean[]
  /** First entry and following exit of each phase, NaN where it did not happen. */
  phases: { from: number; to: number }[]
}

const MAX_EVENTS = 20000
const MAX_ROUNDS = 400
/** Rounds of one instant that are simply let go before anybody looks whether it goes round in a circle. */
const CALM_ROUNDS = 12
const TIME_TOLERANCE = 1e-5
const FIRST_STEP = 120
const LONGEST_STEP = 600

/**
 * Runs a faulted machine through a script, from event to event.
 *
 * Between events states follow an adaptive Bogacki–Shampine 3(2) step; an event is the first instant at which
 * some part or the control is no longer stable in the state, found by bisection to 10 µs. At an event parts
 * react one after another, in the order of the sheet, until all are stable; a state that comes back within
 * one instant is reported as chatter and those modes rest until the control switches something.
 *
 * @throws InputError `limit-reached` when a run has more than 20,000 events
 */
export function simulate(faulted: FaultedMachine, script: Script, cache: NetworkCache = newNetworkCache()): Timeline {
  const { machine, parts, heldModes } = faulted
  const { sheet, kinds, stateTolerance: within } = machine
  const modes = machine.modes.slice()
  const since = new Float64Array(modes.length)
  const point = new OperatingPoint(faulted, modes, machine.states.slice(), since, cache)
  const { states } = point
  for (let i = 0; i < modes.length; i++) if (heldModes[i] >= 0) modes[i] = heldModes[i]
  const byHand = new Int8Array(modes.length).fill(-1)
  const resting = new Set<number>()
  const alarms = new Set<string>()
  const ever = new Set<Condition>()
  const scene: ConditionScope = { point, alarms, chatters: false, ever }
  const conditions = [
    ...sheet.alarms.flatMap((a) => a.clears ?? []),
    ...machine.programs.flatMap((p) => p.needs ?? []),
    ...sheet.complaints.map((c) => c.when),
    ...machine.phases.flatMap((p) => p.exits.map((e) => e.when)),
  ]
  const evers = [...new Set(conditions.flatMap((c) => [...eversOf(c)]))]
  const ofControl = evers.filter((c) => isControlOnly(c.of))
  const events: TimelineEvent[] = []
  const samples: Timeline['samples'] = []
  const snapshots: (OperatingPoint | undefined)[] = script.moments.map(() => undefined)
  const displayedCodes: (string | undefined)[] = script.moments.map(() => undefined)
  const done = script.moments.map((_, k) => script.neededMoments?.includes(k) === false)
  const entered = machine.phases.map(() => ({ from: NaN, to: NaN }))
  let finalReached = false

  const note = (event: TimelineEvent) => {
    events.push(event)
    if (events.length > MAX_EVENTS)
      throw new InputError([
        problem('limit-reached', ['simulate'], {
          found: `${MAX_EVENTS} events by ${point.time.toFixed(1)} s`,
          expected: 'a machine that comes to rest',
        }),
      ])
  }
  /** Sets a mode unless a fault, a hand or a chatter holds it. Returns whether it changed. */
  const setMode = (mode: number, value: number): boolean => {
    if (heldModes[mode] >= 0 || byHand[mode] >= 0 || resting.has(mode) || modes[mode] === value) return false
    modes[mode] = value
    since[mode] = point.time
    point.modeChanged(mode)
    note({ time: point.time, type: 'mode', mode, value })
    return true
  }
  const powered = (): boolean => !sheet.control?.powered || conditionHolds(machine, sheet.control.powered, scene)
  const enter = (phase: number) => {
    if (point.phase >= 0 && Number.isNaN(entered[point.phase].to)) entered[point.phase].to = point.time
    point.phase = phase
    point.phaseSince = point.time
    if (phase >= 0) {
      if (Number.isNaN(entered[phase].from)) entered[phase].from = point.time
      if (machine.phases[phase].final) finalReached = true
    }
    note({ time: point.time, type: 'phase', phase })
    // A phase may be left in the instant in which it is entered; that it was there counts all the same.
    for (const c of ofControl) if (!ever.has(c) && conditionHolds(machine, c.of, scene)) ever.add(c)
    resting.clear()
    const on = phase < 0 ? [] : machine.phases[phase].on
    for (const mode of machine.commands) setMode(mode, on.includes(mode) ? 1 : 0)
  }
  /** The first transition the control wants, without making it. */
  const wanted = (): { to: number; alarm: string | undefined } | undefined => {
    if (!powered()) return point.phase >= 0 ? { to: -1, alarm: undefined } : undefined
    if (point.phase < 0) {
      const starts = sheet.programs.findIndex((p) => p.id === sheet.control?.starts)
      return starts >= 0 ? { to: machine.programs[starts].firstPhase, alarm: undefined } : undefined
    }
    return machine.phases[point.phase].exits.find((e) => conditionHolds(machine, e.when, scene))
  }
  const clear = (code: string) => {
    if (alarms.delete(code)) note({ time: point.time, type: 'cleared', code })
  }
  /** An alarm whose time is over by itself. */
  const passing = () =>
    sheet.alarms.find((a) => a.clears && alarms.has(a.code) && conditionHolds(machine, a.clears, scene))
  const move = (): boolean => {
    const over = passing()
    if (over) {
      clear(over.code)
      return true
    }
    const next = wanted()
    if (!next) return false
    // What the control had to say it has forgotten when it wakes up, unless it keeps it.
    if (point.phase < 0) for (const a of sheet.alarms) if (!a.retained) clear(a.code)
    if (next.alarm !== undefined && !alarms.has(next.alarm)) {
      alarms.add(next.alarm)
      note({ time: point.time, type: 'alarm', code: next.alarm })
    }
    enter(next.to)
    return true
  }
  const free = (mode: number, value: number) =>
    heldModes[mode] < 0 && byHand[mode] < 0 && !resting.has(mode) && modes[mode] !== value
  const clocks = parts.filter((p) => kinds[p.index].nextTimeEvent)
  const reactors = parts.filter((p) => kinds[p.index].transition)

  // Parts are asked very often: what they are handed is made once.
  const changed: number[] = []
  const change = (mode: number, value: number) => {
    if (setMode(mode, value)) changed.push(mode)
  }
  let asked = false
  const noteAsked = (mode: number, value: number) => {
    asked ||= free(mode, value)
  }
  const asks = (part: Part): boolean => {
    asked = false
    kinds[part.index].transition!(part, point, noteAsked)
    return asked
  }

  function settle(): void {
    const seen = new Map<string, number>()
    changed.length = 0
    for (let round = 0; round < MAX_ROUNDS; round++) {
      const already = changed.length
      for (const part of reactors) kinds[part.index].transition!(part, point, change)
      if (changed.length === already && !move()) return lookBack()
      if (round < CALM_ROUNDS) continue
      const key = `${modes.join(',')}|${point.phase}`
      const before = seen.get(key)
      if (before !== undefined && changed.length > before) {
        const loop = [...new Set(changed.slice(before))]
        loop.forEach((mode) => resting.add(mode))
        scene.chatters = true
        note({ time: point.time, type: 'chatters', modes: loop })
      }
      seen.set(key, changed.length)
    }
    throw new InputError([
      problem('limit-reached', ['simulate'], {
        found: `no rest at ${point.time.toFixed(2)} s`,
        expected: 'phases that wait for something',
      }),
    ])
  }
  function lookBack(): void {
    for (const c of evers) if (!ever.has(c) && conditionHolds(machine, c.of, scene)) ever.add(c)
    samples.push({ time: point.time, states: states.slice() })
  }
  /** The parts and the control that are not stable in the present state. */
  function restless(): (() => boolean)[] {
    const out: (() => boolean)[] = []
    for (const part of reactors) if (asks(part)) out.push(() => asks(part))
    if (passing() || wanted()) out.push(() => passing() !== undefined || wanted() !== undefined)
    // What somebody asks about for ever after is an event too, however soon it passes.
    const fresh = (c: Ever) => !ever.has(c) && conditionHolds(machine, c.of, scene)
    for (const c of evers) if (fresh(c)) out.push(() => fresh(c))
    return out
  }

  let stepSize = FIRST_STEP
  const n = states.length
  const [x0, x1, k1, k2, k3, k4] = Array.from({ length: 6 }, () => new Float64Array(n))

  /** Moves at most to `limit`, stopping at the first restless instant. */
  function advance(limit: number): void {
    const t0 = point.time
    x0.set(states)
    point.rates(k1)
    let h = Math.min(stepSize, limit - t0)
    // Where nothing flows nothing will: rates follow the states alone between events.
    if (k1.every((rate) => rate === 0)) {
      point.time = limit
      const askers = restless()
      if (askers.length) backToFirst(askers, t0, limit - t0, (s) => (point.time = t0 + s * (limit - t0)))
      return
    }
    for (;;) {
      for (let i = 0; i < n; i++) states[i] = x0[i] + h * 0.5 * k1[i]
      point.statesChanged()
      point.rates(k2)
      for (let i = 0; i < n; i++) states[i] = x0[i] + h * 0.75 * k2[i]
      point.statesChanged()
      point.rates(k3)
      for (let i = 0; i < n; i++) states[i] = x1[i] = x0[i] + (h * (2 * k1[i] + 3 * k2[i] + 4 * k3[i])) / 9
      point.statesChanged()
      point.rates(k4)
      let error = 0
      for (let i = 0; i < n; i++)
        error = Math.max(error, Math.abs(h * ((-5 / 72) * k1[i] + k2[i] / 12 + k3[i] / 9 - k4[i] / 8)) / within[i])
      if (error > 1 && h > 1e-3) {
        h *= Math.max(0.2, 0.9 * Math.cbrt(1 / error))
        continue
      }
      stepSize = Math.min(LONGEST_STEP, h * Math.min(6, error > 0 ? 0.9 * Math.cbrt(1 / error) : 6))
      stepSize = Math.max(stepSize, 1e-3)
      const end = h === limit - t0 ? limit : t0 + h
      point.time = end
      const askers = restless()
      if (!askers.length) return
      // Cubic Hermite between the ends of the step; exact where the rates are constant.
      const between = (s: number) => {
        const a = s * s * (3 - 2 * s)
        const b = s * (1 - s) * (1 - s) * h
        const c = -s * s * (1 - s) * h
        for (let i = 0; i < n; i++) states[i] = x0[i] + a * (x1[i] - x0[i]) + b * k1[i] + c * k4[i]
        point.statesChanged()
        point.time = t0 + s * h
      }
      if (backToFirst(askers, t0, h, between) === 1) {
        states.set(x1)
        point.statesChanged()
        point.time = end
      }
      return
    }
  }

  /** Goes back within a step to the first instant at which somebody asks, by bisection; gives the share of the step. */
  function backToFirst(askers: (() => boolean)[], t0: number, h: number, between: (s: number) => void): number {
    let [lo, hi] = [0, 1]
    while ((hi - lo) * h > TIME_TOLERANCE) {
      const mid = (lo + hi) / 2
      between(mid)
      if (askers.some((ask) => ask())) hi = mid
      else lo = mid
    }
    if (hi < 1) between(hi)
    else point.time = t0 + h
    return hi
  }

  const steps = [...script.steps].sort((a, b) => a.at - b.at)
  let nextStep = 0
  const momentTime = (k: number): number => {
    const moment = script.moments[k]
    if (moment.type === 'time') return moment.at
    const { from } = entered[moment.phase]
    return Number.isNaN(from) ? Infinity : from + moment.after
  }
  function visit(): void {
    script.moments.forEach((moment, k) => {
      if (done[k] || point.time < momentTime(k) - 1e-9) return
      done[k] = true
      if (moment.type === 'time' || (point.phase === moment.phase && point.phaseSince === entered[moment.phase].from))
        snapshots[k] = point.snapshot()
      displayedCodes[k] = [...alarms].at(-1)
    })
  }
  for (;;) {
    while (nextStep < steps.length && steps[nextStep].at <= point.time + 1e-12) {
      const step = steps[nextStep++]
      for (const { mode, value } of step.hold ?? []) {
        byHand[mode] = -1
        setMode(mode, value)
        byHand[mode] = value
      }
      for (const mode of step.free ?? []) {
        byHand[mode] = -1
        if (heldModes[mode] < 0) setMode(mode, machine.modes[mode])
      }
      resting.clear()
      if (step.start !== undefined) {
        const program = machine.programs[step.start]
        for (const { mode, value } of program.sets) {
          setMode(mode, value)
          byHand[mode] = value
        }
        settle()
        const may = program.needs === undefined || conditionHolds(machine, program.needs, scene)
        if (may && powered()) program.resets.forEach(clear)
        if (may && program.firstPhase >= 0 && powered()) {
          // A program begins its phases anew, whatever the control was doing by itself.
          for (const e of entered) e.from = e.to = NaN
          point.phase = -1
          enter(program.firstPhase)
        }
      }
    }
    settle()
    visit()
    const rest =
      finalReached && nextStep === steps.length && script.moments.every((mo, k) => done[k] || mo.type === 'phase')
    const served = script.neededMoments !== undefined && done.every(Boolean)
    if (served || point.time >= script.until - 1e-9 || (script.stopsWhenFinal && rest)) break
    let limit = Math.min(script.until, nextStep < steps.length ? steps[nextStep].at : Infinity)
    for (let k = 0; k < done.length; k++) if (!done[k]) limit = Math.min(limit, Math.max(point.time, momentTime(k)))
    if (point.phase >= 0)
      for (const after of machine.phases[point.phase].timeLimits) {
        const at = point.phaseSince + after
        if (at > point.time + 1e-9) limit = Math.min(limit, at)
      }
    for (const part of clocks) {
      const at = kinds[part.index].nextTimeEvent!(part, point)
      if (at > point.time + 1e-9) limit = Math.min(limit, at)
    }
    if (limit <= point.time) limit = Math.min(script.until, point.time + 1e-6)
    advance(limit)
  }
  return {
    events,
    samples,
    snapshots,
    displayedCodes,
    end: point.snapshot(),
    alarms: [...alarms],
    complaints: sheet.complaints.map((c) => conditionHolds(machine, c.when, scene)),
    phases: entered,
  }
}
