import type { Component } from '../circuit'
import type { Live, Part } from '../kinds'
import type { Machine, ModeSet, Variant } from '../machine'
import { speaksOfControlAlone, type Condition } from '../sheet'
import type { Script } from '../simulate'
import type { Stretch } from '../water'
import { plainAmps, plainVolts, solveBoth, solvePlain, type PlainSolution } from './circuit'
import { waterSolver } from './water'

/** Usual length of a step, s. */
export const STEP = 0.01
const ROUNDS = 60

/** A machine at one moment of a plain run, as instruments are put to it. */
export interface Still {
  t: number
  phase: number
  /** The code shown. */
  code: string | undefined
  live: PlainLive
}

export interface PlainRun {
  /** Entries of phases in order; -1 when the control loses its supply. */
  phases: { t: number; phase: number }[]
  /** Place in `phases` at which the last program was begun. */
  begun: number
  alarms: string[]
  chatters: boolean
  /** For each complaint of the sheet, whether it holds at the end. */
  complaints: boolean[]
  /** The machine at each moment of the script; `undefined` where it was never reached. */
  stills: (Still | undefined)[]
}

/** One circuit: its AC solution, and its DC solution source by source (they add up: the network is linear). */
interface Solved {
  components: Component[]
  owner: number[]
  ac: PlainSolution
  /** What rectifiers alone make. */
  base: PlainSolution
  /** For each DC source, its place among the components and what one volt of it alone makes. */
  unit: { at: number; gives: PlainSolution }[]
  /**
   * For each resistance that follows the states, its value when the circuit was built and what one ampere driven
   * through it makes. On DC alone: such resistances lie in no AC loop of any sheet.
   */
  moving: { at: number; ohms: number; gives: PlainSolution }[]
  /** For each part whose components follow the states, the place of its first component. */
  follows: { part: Part; first: number }[]
}

const same = (a: Float64Array, b: Float64Array): boolean => a.every((x, i) => x === b[i])

/** One ampere, as a source that hardly loads anything. */
const AMPERE = 1e12

/** Circuits already solved, by modes; may be shared by runs of one variant. */
export type SolvedCache = Map<string, Solved>

/** The machine as the kinds see it, every answer from a full solution of the network. */
export class PlainLive implements Live {
  t = 0
  private solved: Solved | undefined
  /** Volts of each DC source as it stands, and amperes that stand for what resistances have changed by. */
  private sources: { volts: Float64Array; amps: Float64Array } | undefined
  private direct: { base: PlainSolution; volts: Float64Array; amps: Float64Array; solution: PlainSolution } | undefined
  private network: { stretches: Stretch[]; of: Int32Array; solve: (fixed: Float64Array) => Float64Array } | undefined
  private flows: { heads: Float64Array; flow: Float64Array } | undefined
  /** Of this instant, until a mode or a state moves: fixed pressures, and celsius of the water at each node. */
  private fixed: Float64Array | undefined
  private warm: Map<number, number> | undefined
  private readonly followers: readonly Part[]
  private readonly heading: readonly Part[]
  private readonly warming: readonly Part[]

  constructor(
    readonly variant: Variant,
    readonly m: Int8Array,
    readonly x: Float64Array,
    readonly since: Float64Array,
    private readonly cache: SolvedCache,
  ) {
    const { parts } = variant
    const { kinds } = variant.machine
    this.followers = parts.filter((p) => kinds[p.index].stampFollowsState)
    this.heading = parts.filter((p) => kinds[p.index].heads)
    this.warming = parts.filter((p) => kinds[p.index].temperatures)
  }
  get v(): Float64Array {
    return this.variant.values
  }
  get ambient(): number {
    return this.variant.values[0]
  }
  get omega(): number {
    return 2 * Math.PI * this.variant.machine.sheet.hertz
  }
  /** A copy that the run leaves behind. */
  keep(): PlainLive {
    const copy = new PlainLive(this.variant, this.m.slice(), this.x.slice(), this.since.slice(), this.cache)
    copy.t = this.t
    return copy
  }
  /** To be called after a mode has changed. */
  forget(): void {
    this.solved = undefined
    this.sources = undefined
    this.network = undefined
    this.flows = undefined
    this.fixed = this.warm = undefined
  }
  /** To be called after the states have moved: sources that follow them have moved too. */
  moved(): void {
    if (this.followers.length) this.sources = undefined
    this.fixed = this.warm = undefined
  }

  components(): { components: Component[]; owner: number[] } {
    const components: Component[] = []
    const owner: number[] = []
    for (const part of this.variant.parts)
      this.variant.machine.kinds[part.index].stamp?.(part, this, (c) => {
        components.push(c)
        owner.push(part.index)
      })
    for (const c of this.variant.extra) {
      components.push(c)
      owner.push(-1)
    }
    return { components, owner }
  }
  circuit(): Solved {
    if (this.solved) return this.solved
    const key = this.m.join()
    let solved = this.cache.get(key)
    if (!solved) {
      const { components, owner } = this.components()
      const { nodes } = this.variant.machine
      const only = (at: number) => components.map((c, i) => (c.t === 'VDC' ? { ...c, volts: i === at ? 1 : 0 } : c))
      const { ac, dc: base } = solveBoth(nodes, only(-1), this.omega)
      const unit = components.flatMap((c, at) => (c.t === 'VDC' ? [{ at, gives: solvePlain(nodes, only(at), 0) }] : []))
      const follow = new Set(
        this.followers.flatMap((p) =>
          this.variant.machine.kinds[p.index].stampFollowsState === 'resistance' ? [p.index] : [],
        ),
      )
      const moving = components.flatMap((c, at) => {
        if (c.t !== 'R' || !follow.has(owner[at])) return []
        const driven: Component = { t: 'VDC', a: c.a, b: c.b, ohms: AMPERE, volts: AMPERE }
        return [{ at, ohms: c.ohms, gives: solvePlain(nodes, [...only(-1), driven], 0) }]
      })
      const follows = this.followers.map((part) => ({ part, first: owner.indexOf(part.index) }))
      solved = { components, owner, ac, base, unit, moving, follows }
      this.cache.set(key, solved)
    }
    return (this.solved = solved)
  }
  ac(): PlainSolution {
    return this.circuit().ac
  }
  private sourcesNow(): { volts: Float64Array; amps: Float64Array } {
    if (this.sources) return this.sources
    const { components, follows, base, unit, moving } = this.circuit()
    const now = components.slice()
    for (const { part, first } of follows) {
      let at = first
      this.variant.machine.kinds[part.index].stamp!(part, this, (c) => (now[at++] = c))
    }
    const volts = Float64Array.from(unit, ({ at }) => {
      const c = now[at]
      return c.t === 'VDC' ? c.volts : 0
    })
    if (!moving.length) return (this.sources = { volts, amps: new Float64Array(0) })
    // A conductance that is greater by δ draws δ·w more: Σ over the others of what that does to w, solved for w.
    const across = ({ re }: PlainSolution, k: number) => re[components[moving[k].at].a] - re[components[moving[k].at].b]
    const n = moving.length
    const more = moving.map(({ at, ohms }) => {
      const c = now[at]
      return c.t === 'R' ? 1 / c.ohms - 1 / ohms : 0
    })
    const rows = moving.map((_, j) => [
      ...moving.map(({ gives }, k) => (j === k ? 1 : 0) + across(gives, j) * more[k]),
      unit.reduce((sum, { gives }, k) => sum + volts[k] * across(gives, j), across(base, j)),
    ])
    for (let k = 0; k < n; k++)
      for (let j = 0; j < n; j++) {
        if (j === k) continue
        const times = rows[j][k] / rows[k][k]
        for (let i = k; i <= n; i++) rows[j][i] -= times * rows[k][i]
      }
    const amps = Float64Array.from(moving, (_, k) => (-more[k] * rows[k][n]) / rows[k][k])
    return (this.sources = { volts, amps })
  }
  /** Volts of every node on DC: what each source and each moved resistance gives, added up. */
  dc(): PlainSolution {
    const { base, unit, moving } = this.circuit()
    const { volts, amps } = this.sourcesNow()
    const kept = this.direct
    // Sources that stand as they stood give what they gave.
    if (kept?.base === base && same(kept.volts, volts) && same(kept.amps, amps)) return kept.solution
    const re = base.re.slice()
    const add = (times: number, by: Float64Array) => {
      if (times !== 0) for (let i = 0; i < re.length; i++) re[i] += times * by[i]
    }
    unit.forEach(({ gives }, k) => add(volts[k], gives.re))
    moving.forEach(({ gives }, k) => add(amps[k], gives.re))
    const solution = { re, im: base.im, island: base.island }
    this.direct = { base, volts, amps, solution }
    return solution
  }
  volts(a: number, b: number): number {
    return Math.hypot(plainVolts(this.ac(), a, b), this.dcVolts(a, b))
  }
  dcVolts = (a: number, b: number): number => {
    const { re, island } = this.dc()
    return island[a] === island[b] ? re[a] - re[b] : 0
  }
  amps(part: Part): number {
    const { owner } = this.circuit()
    const dc = this.dc()
    let most = 0
    this.components().components.forEach((c, i) => {
      if (owner[i] !== part.index) return
      most = Math.max(most, Math.hypot(plainAmps(this.ac(), c, this.omega), plainAmps(dc, c, 0)))
    })
    return most
  }

  /** Fixed pressures, Pa, NaN where there is none; not to be changed. */
  heads(): Float64Array {
    if (this.fixed) return this.fixed
    const fixed = new Float64Array(this.variant.machine.waterNodes).fill(NaN)
    for (const part of this.heading)
      this.variant.machine.kinds[part.index].heads!(part, this, (node, pascals) => (fixed[node] = pascals))
    return (this.fixed = fixed)
  }
  stretches(): { stretches: Stretch[]; of: Int32Array } {
    const stretches: Stretch[] = []
    const of = new Int32Array(this.variant.parts.length).fill(-1)
    for (const part of this.variant.parts)
      this.variant.machine.kinds[part.index].flow?.(part, this, (s) => (of[part.index] = stretches.push(s) - 1))
    return { stretches, of }
  }
  private water(): { stretches: Stretch[]; of: Int32Array; flow: Float64Array } {
    const heads = this.heads()
    if (!this.network) {
      const { stretches, of } = this.stretches()
      this.network = { stretches, of, solve: waterSolver(stretches, heads) }
    }
    if (!this.flows || (this.flows.heads !== heads && heads.some((p, i) => !Object.is(p, this.flows!.heads[i]))))
      this.flows = { heads, flow: this.network.solve(heads) }
    this.flows.heads = heads
    return { stretches: this.network.stretches, of: this.network.of, flow: this.flows.flow }
  }
  pressure(node: number): number {
    const fixed = this.heads()
    if (!Number.isNaN(fixed[node])) return fixed[node]
    // Walk from a node of known pressure, losing what each stretch loses at its flow.
    const { stretches, flow } = this.water()
    const known = new Map<number, number>()
    fixed.forEach((p, i) => Number.isNaN(p) || known.set(i, p))
    for (let again = true; again && !known.has(node);) {
      again = false
      stretches.forEach((s, k) => {
        if (known.has(s.from) === known.has(s.to)) return
        const q = flow[k]
        const loss = s.linear * q + s.square * q * Math.abs(q) + (q > s.rated ? s.beyond * (q - s.rated) : 0) - s.head
        // Behind a closed one-way stretch nothing can be said.
        if (s.oneWay && q < 0) return
        if (known.has(s.from)) known.set(s.to, known.get(s.from)! - loss)
        else known.set(s.from, known.get(s.to)! + loss)
        again = true
      })
    }
    return known.get(node) ?? 0
  }
  flow(part: Part): number {
    const { of, flow } = this.water()
    return of[part.index] < 0 ? 0 : flow[of[part.index]]
  }
  inflow(node: number): number {
    const { stretches, flow } = this.water()
    return stretches.reduce((q, s, k) => q + (s.to === node ? flow[k] : 0) - (s.from === node ? flow[k] : 0), 0)
  }
  /** Celsius of the water at each node that any reaches. */
  private warmths(): Map<number, number> {
    if (this.warm) return this.warm
    const { stretches, flow } = this.water()
    const known = new Map<number, number>()
    for (const part of this.warming)
      this.variant.machine.kinds[part.index].temperatures!(part, this, (n, celsius) => known.set(n, celsius))
    if (flow.every((q) => q === 0)) return (this.warm = known)
    // Downstream from the sources, one mixing point after another.
    for (let round = 0; round < stretches.length; round++) {
      const mix = new Map<number, { q: number; qt: number; open: boolean }>()
      stretches.forEach((s, k) => {
        const [up, down] = flow[k] >= 0 ? [s.from, s.to] : [s.to, s.from]
        if (known.has(down) || flow[k] === 0) return
        const at = mix.get(down) ?? { q: 0, qt: 0, open: false }
        const q = Math.abs(flow[k])
        if (known.has(up)) mix.set(down, { ...at, q: at.q + q, qt: at.qt + q * known.get(up)! })
        else mix.set(down, { ...at, open: true })
      })
      let more = false
      for (const [n, { q, qt, open }] of mix)
        if (!open && q > 0) {
          known.set(n, qt / q)
          more = true
        }
      if (!more) break
    }
    return (this.warm = known)
  }
  warmthInto(node: number): number {
    const { stretches, flow } = this.water()
    const known = this.warmths()
    return stretches.reduce((sum, s, k) => {
      if (flow[k] === 0 || (s.to !== node && s.from !== node)) return sum
      const up = flow[k] >= 0 ? s.from : s.to
      return sum + (s.to === node ? flow[k] : -flow[k]) * (known.get(up) ?? this.ambient)
    }, 0)
  }
  referred(part: Part, name: string): Part | undefined {
    return part.ref[name] === undefined ? undefined : this.variant.parts[part.ref[name]]
  }
  of(part: Part, name: string, signal: string): number {
    return this.signal(part.ref[name], signal)
  }
  signal(index: number, signal: string): number {
    return this.variant.machine.kinds[index].signals![signal].read(this.variant.parts[index], this)
  }
}

/**
 * Runs a variant in steps of one length: at each step the parts react until they are content and the control moves on, then
 * every state goes one Euler step further. Nothing is skipped and no event is searched for.
 *
 * @param step s; a longer one is as much less exact about when things happen
 */
export function runPlain(variant: Variant, script: Script, step = STEP, cache: SolvedCache = new Map()): PlainRun {
  const { machine, parts, held } = variant
  const { sheet, kinds } = machine
  const m = machine.modes.map((value, i) => (held[i] >= 0 ? held[i] : value))
  const live = new PlainLive(variant, m, machine.states.slice(), new Float64Array(m.length), cache)
  const hand = new Int8Array(m.length).fill(-1)
  const stilled = new Set<number>()
  const run: PlainRun = { phases: [], begun: 0, alarms: [], chatters: false, complaints: [], stills: [] }
  const ever = new Set<Condition>()
  let phase = -1
  let entered = 0
  const firstEntry = new Map<number, number>()

  const truth = (c: Condition): boolean => {
    switch (c.is) {
      case 'and':
        return c.of.every(truth)
      case 'or':
        return c.of.some(truth)
      case 'not':
        return !truth(c.of)
      case 'ever':
        return ever.has(c) || truth(c.of)
      case 'after':
        return live.t - entered >= c.seconds - step / 4
      case 'alarm':
        return run.alarms.includes(c.code)
      case 'phase':
        return phase >= 0 && machine.phases[phase].id === c.phase
      case 'chatters':
        return run.chatters
      case 'signal':
        return live.signal(machine.partIndex.get(c.part)!, c.signal) > 0.5
      case 'compare': {
        const value = live.signal(machine.partIndex.get(c.part)!, c.signal)
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
    if (held[mode] >= 0 || hand[mode] >= 0 || stilled.has(mode) || m[mode] === value) return false
    m[mode] = value
    live.since[mode] = live.t
    live.forget()
    return true
  }
  const powered = () => sheet.control?.powered === undefined || truth(sheet.control.powered)
  const enter = (next: number) => {
    phase = next
    entered = live.t
    if (!firstEntry.has(next)) firstEntry.set(next, live.t)
    run.phases.push({ t: live.t, phase: next })
    for (const c of evers) if (speaksOfControlAlone(c.of) && truth(c.of)) ever.add(c)
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
      run.alarms = run.alarms.filter((code) => sheet.alarms.find((a) => a.code === code)!.keeps)
      enter(machine.programs[starts].begins)
      return true
    }
    const exit = machine.phases[phase].exits.find((e) => truth(e.when))
    if (!exit) return false
    if (exit.alarm !== undefined && !run.alarms.includes(exit.alarm)) run.alarms.push(exit.alarm)
    enter(exit.to)
    return true
  }
  const reacting = parts.filter((p) => kinds[p.index].react)
  const changing = parts.filter((p) => kinds[p.index].rates)
  const flips = new Int32Array(m.length)
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
      for (const part of reacting) kinds[part.index].react!(part, live, flip)
      if (quiet && !control()) return
    }
  }
  const steps = [...script.steps].sort((a, b) => a.at - b.at)
  const hands = ({ hold, free, start }: Script['steps'][number]) => {
    const put = ({ mode, value }: ModeSet) => {
      hand[mode] = -1
      set(mode, value)
      hand[mode] = value
    }
    hold?.forEach(put)
    for (const mode of free ?? []) {
      hand[mode] = -1
      if (held[mode] < 0) set(mode, machine.modes[mode])
    }
    stilled.clear()
    if (start === undefined) return
    machine.programs[start].sets.forEach(put)
    settle()
    const { needs, resets, begins } = machine.programs[start]
    if (!powered() || (needs && !truth(needs))) return
    resets.forEach(forget)
    if (begins < 0) return
    firstEntry.clear()
    run.begun = run.phases.length
    enter(begins)
  }
  const seen = script.moments.map((_, i) => script.wanted?.includes(i) === false)
  run.stills = script.moments.map(() => undefined)
  const dx = new Float64Array(live.x.length)
  const last = Math.round(script.until / step)
  for (let k = 0; k <= last; k++) {
    if (script.wanted && seen.every(Boolean)) break
    live.t = k * step
    while (steps.length && steps[0].at <= live.t + step / 4) hands(steps.shift()!)
    settle()
    for (const c of evers) if (!ever.has(c) && truth(c.of)) ever.add(c)
    script.moments.forEach((moment, i) => {
      if (seen[i]) return
      const at = moment.is === 'time' ? moment.at : (firstEntry.get(moment.phase) ?? Infinity) + moment.after
      if (live.t < at - step / 4) return
      seen[i] = true
      const there = moment.is === 'time' || (phase === moment.phase && entered === firstEntry.get(moment.phase))
      if (there) run.stills[i] = { t: live.t, phase, code: run.alarms.at(-1), live: live.keep() }
    })
    dx.fill(0)
    for (const part of changing) kinds[part.index].rates!(part, live, dx)
    if (dx.every((rate) => rate === 0)) continue
    for (let i = 0; i < dx.length; i++) live.x[i] += dx[i] * step
    live.moved()
  }
  run.complaints = sheet.complaints.map((c) => truth(c.when))
  return run
}

/** Every `ever` of a condition. */
function everIn(c: Condition): Extract<Condition, { is: 'not' | 'ever' }>[] {
  switch (c.is) {
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
    return { from: k < 0 ? NaN : run.phases[k].t, to: k < 0 ? NaN : (run.phases[k + 1]?.t ?? NaN) }
  })
}
