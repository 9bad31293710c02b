import type { Machine, ModeSetting, FaultedMachine } from '../model/machine'
import { isControlOnly, type Condition } from '../model/sheet'
import type { Script } from '../simulation/simulate'
import type { SolvedCache } from './electrics'
import { PlainPoint } from './plain-point'

/** Usual length of a step, s. */
export const STEP = 0.01
const ROUNDS = 60

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
}

/**
 * Runs a faulted machine in steps of one length: at each step the parts react until they are stable and the control moves on, then
 * every state goes one Euler step further. Nothing is skipped and no event is searched for.
 *
 * @param step s; a longer one is as much less exact about when things happen
 */
export function runPlain(
  faulted: FaultedMachine,
  script: Script,
  step = STEP,
  cache: SolvedCache = new Map(),
): PlainRun {
  const { machine, parts, heldModes } = faulted
  const { sheet, kinds } = machine
  const modes = machine.modes.map((value, i) => (heldModes[i] >= 0 ? heldModes[i] : value))
  const point = new PlainPoint(faulted, modes, machine.states.slice(), new Float64Array(modes.length), cache)
  const hand = new Int8Array(modes.length).fill(-1)
  const stilled = new Set<number>()
  const run: PlainRun = { phases: [], begun: 0, alarms: [], chatters: false, complaints: [], snapshots: [] }
  const ever = new Set<Condition>()
  let phase = -1
  let entered = 0
  const firstEntry = new Map<number, number>()

  const truth = (c: Condition): boolean => {
    switch (c.type) {
      case 'and':
        return c.of.every(truth)
      case 'or':
        return c.of.some(truth)
      case 'not':
        return !truth(c.of)
      case 'ever':
        return ever.has(c) || truth(c.of)
      case 'after':
        return point.time - entered >= c.seconds - step / 4
      case 'alarm':
        return run.alarms.includes(c.code)
      case 'phase':
        return phase >= 0 && machine.phases[phase].id === c.phase
      case 'chatters':
        return run.chatters
      case 'signal':
        return point.signal(machine.partIndex.get(c.part)!, c.signal) > 0.5
      case 'compare': {
        const value = point.signal(machine.partIndex.get(c.part)!, c.signal)
        return c.op === '>='
          ? value >= c.si
          : c.op === '<='
            ? value <= c.si
            : c.op === '>'
              ? value > c.si
              : value < c.si
      }
    }
  }
  const evers = [
    ...sheet.complaints.map((c) => c.when),
    ...sheet.alarms.flatMap((a) => a.clears ?? []),
    ...machine.programs.flatMap((p) => p.needs ?? []),
    ...machine.phases.flatMap((p) => p.exits.map((e) => e.when)),
  ].flatMap(everIn)
  const set = (mode: number, value: number): boolean => {
    if (heldModes[mode] >= 0 || hand[mode] >= 0 || stilled.has(mode) || modes[mode] === value) return false
    modes[mode] = value
    point.modeSince[mode] = point.time
    point.modeChanged()
    return true
  }
  const powered = () => sheet.control?.powered === undefined || truth(sheet.control.powered)
  const enter = (next: number) => {
    phase = next
    entered = point.time
    if (!firstEntry.has(next)) firstEntry.set(next, point.time)
    run.phases.push({ time: point.time, phase: next })
    for (const c of evers) if (isControlOnly(c.of) && truth(c.of)) ever.add(c)
    stilled.clear()
    const on = next < 0 ? [] : machine.phases[next].on
    for (const mode of machine.commands) set(mode, on.includes(mode) ? 1 : 0)
  }
  const forget = (code: string) => (run.alarms = run.alarms.filter((c) => c !== code))
  const control = (): boolean => {
    for (const a of sheet.alarms)
      if (a.clears && run.alarms.includes(a.code) && truth(a.clears)) {
        forget(a.code)
        return true
      }
    if (!powered()) {
      if (phase < 0) return false
      enter(-1)
      return true
    }
    if (phase < 0) {
      const starts = machine.sheet.programs.findIndex((p) => p.id === sheet.control?.starts)
      if (starts < 0) return false
      run.alarms = run.alarms.filter((code) => sheet.alarms.find((a) => a.code === code)!.retained)
      enter(machine.programs[starts].firstPhase)
      return true
    }
    const exit = machine.phases[phase].exits.find((e) => truth(e.when))
    if (!exit) return false
    if (exit.alarm !== undefined && !run.alarms.includes(exit.alarm)) run.alarms.push(exit.alarm)
    enter(exit.to)
    return true
  }
  const reacting = parts.filter((p) => kinds[p.index].transition)
  const changing = parts.filter((p) => kinds[p.index].rates)
  const flips = new Int32Array(modes.length)
  let quiet = true
  const flip = (mode: number, value: number) => {
    if (!set(mode, value)) return
    quiet = false
    // What has gone to and fro this often in one instant chatters.
    if (++flips[mode] < 8) return
    stilled.add(mode)
    run.chatters = true
  }
  const settle = () => {
    flips.fill(0)
    for (let round = 0; round < ROUNDS; round++) {
      quiet = true
      for (const part of reacting) kinds[part.index].transition!(part, point, flip)
      if (quiet && !control()) return
    }
  }
  const steps = [...script.steps].sort((a, b) => a.at - b.at)
  const hands = ({ hold, free, start }: Script['steps'][number]) => {
    const put = ({ mode, value }: ModeSetting) => {
      hand[mode] = -1
      set(mode, value)
      hand[mode] = value
    }
    hold?.forEach(put)
    for (const mode of free ?? []) {
      hand[mode] = -1
      if (heldModes[mode] < 0) set(mode, machine.modes[mode])
    }
    stilled.clear()
    if (start === undefined) return
    machine.programs[start].sets.forEach(put)
    settle()
    const { needs, resets, firstPhase: begins } = machine.programs[start]
    if (!powered() || (needs && !truth(needs))) return
    resets.forEach(forget)
    if (begins < 0) return
    firstEntry.clear()
    run.begun = run.phases.length
    enter(begins)
  }
  const seen = script.moments.map((_, i) => script.neededMoments?.includes(i) === false)
  run.snapshots = script.moments.map(() => undefined)
  const derivatives = new Float64Array(point.states.length)
  const last = Math.round(script.until / step)
  for (let k = 0; k <= last; k++) {
    if (script.neededMoments && seen.every(Boolean)) break
    point.time = k * step
    while (steps.length && steps[0].at <= point.time + step / 4) hands(steps.shift()!)
    settle()
    for (const c of evers) if (!ever.has(c) && truth(c.of)) ever.add(c)
    script.moments.forEach((moment, i) => {
      if (seen[i]) return
      const at = moment.type === 'time' ? moment.at : (firstEntry.get(moment.phase) ?? Infinity) + moment.after
      if (point.time < at - step / 4) return
      seen[i] = true
      const there = moment.type === 'time' || (phase === moment.phase && entered === firstEntry.get(moment.phase))
      if (there) run.snapshots[i] = { time: point.time, phase, code: run.alarms.at(-1), point: point.snapshot() }
    })
    derivatives.fill(0)
    for (const part of changing) kinds[part.index].rates!(part, point, derivatives)
    if (derivatives.every((rate) => rate === 0)) continue
    for (let i = 0; i < derivatives.length; i++) point.states[i] += derivatives[i] * step
    point.statesChanged()
  }
  run.complaints = sheet.complaints.map((c) => truth(c.when))
  return run
}

/** Every `ever` of a condition. */
function everIn(c: Condition): Extract<Condition, { type: 'not' | 'ever' }>[] {
  switch (c.type) {
    case 'and':
    case 'or':
      return c.of.flatMap(everIn)
    case 'not':
      return everIn(c.of)
    case 'ever':
      return [c, ...everIn(c.of)]
    default:
      return []
  }
}

/** First entry of each phase and the entry of the one after it, s; NaN where it did not come. */
export function phaseTimes(machine: Machine, run: PlainRun): { from: number; to: number }[] {
  return machine.phases.map(({ index }) => {
    const k = run.phases.findIndex((p, i) => i >= run.begun && p.phase === index)
    return { from: k < 0 ? NaN : run.phases[k].time, to: k < 0 ? NaN : (run.phases[k + 1]?.time ?? NaN) }
  })
}
