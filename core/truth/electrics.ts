import type { Component } from '../physics/circuit'
import type { Kind, Part } from '../model/kinds'
import { plainAmps, plainVolts, solveBoth, solvePlain, type PlainSolution } from './circuit'
import type { PlainState } from './plain-state'

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

/** Circuits already solved, by modes; may be shared by runs of one faulted machine. */
export type SolvedCache = Map<string, Solved>

/** Volts and amperes of the machine as it stands, every one from a full solution of the network. */
export class PlainElectrics {
  private solved: Solved | undefined
  /** Volts of each DC source as it stands, and amperes that stand for what resistances have changed by. */
  private sources: { volts: Float64Array; amps: Float64Array } | undefined
  private direct: { base: PlainSolution; volts: Float64Array; amps: Float64Array; solution: PlainSolution } | undefined
  private readonly kinds: readonly Kind[]
  private readonly followers: readonly Part[]

  constructor(
    private readonly point: PlainState,
    private readonly cache: SolvedCache,
  ) {
    this.kinds = point.faulted.machine.kinds
    this.followers = point.faulted.parts.filter((p) => this.kinds[p.index].stampDependsOnState)
  }
  /** To be called after a mode has changed. */
  modeChanged(): void {
    this.solved = undefined
    this.sources = undefined
  }
  /** To be called after the states have moved: sources that follow them have moved too. */
  statesChanged(): void {
    if (this.followers.length) this.sources = undefined
  }

  components(): { components: Component[]; owner: number[] } {
    const components: Component[] = []
    const owner: number[] = []
    for (const part of this.point.faulted.parts)
      this.kinds[part.index].stamp?.(part, this.point, (c) => {
        components.push(c)
        owner.push(part.index)
      })
    for (const c of this.point.faulted.addedComponents) {
      components.push(c)
      owner.push(-1)
    }
    return { components, owner }
  }
  circuit(): Solved {
    if (this.solved) return this.solved
    const key = this.point.modes.join()
    let solved = this.cache.get(key)
    if (!solved) {
      const { components, owner } = this.components()
      const { nodeCount } = this.point.faulted
      const only = (at: number) => components.map((c, i) => (c.type === 'VDC' ? { ...c, volts: i === at ? 1 : 0 } : c))
      const { ac, dc: base } = solveBoth(nodeCount, only(-1), this.point.omega)
      const unit = components.flatMap((c, at) =>
        c.type === 'VDC' ? [{ at, gives: solvePlain(nodeCount, only(at), 0) }] : [],
      )
      const follow = new Set(
        this.followers.flatMap((p) => (this.kinds[p.index].stampDependsOnState === 'resistance' ? [p.index] : [])),
      )
      const moving = components.flatMap((c, at) => {
        if (c.type !== 'R' || !follow.has(owner[at])) return []
        const driven: Component = { type: 'VDC', a: c.a, b: c.b, ohms: AMPERE, volts: AMPERE }
        return [{ at, ohms: c.ohms, gives: solvePlain(nodeCount, [...only(-1), driven], 0) }]
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
      this.kinds[part.index].stamp!(part, this.point, (c) => (now[at++] = c))
    }
    const volts = Float64Array.from(unit, ({ at }) => {
      const c = now[at]
      return c.type === 'VDC' ? c.volts : 0
    })
    if (!moving.length) return (this.sources = { volts, amps: new Float64Array(0) })
    // A conductance that is greater by δ draws δ·w more: Σ over the others of what that does to w, solved for w.
    const across = ({ re }: PlainSolution, k: number) => re[components[moving[k].at].a] - re[components[moving[k].at].b]
    const n = moving.length
    const more = moving.map(({ at, ohms }) => {
      const c = now[at]
      return c.type === 'R' ? 1 / c.ohms - 1 / ohms : 0
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
  /** @param node of the lead that is clamped; left out, whichever of the part's carries most */
  amps(part: Part, node?: number): number {
    const { owner } = this.circuit()
    const dc = this.dc()
    let most = 0
    this.components().components.forEach((c, i) => {
      if (owner[i] !== part.index || (node !== undefined && c.a !== node && c.b !== node)) return
      most = Math.max(most, Math.hypot(plainAmps(this.ac(), c, this.point.omega), plainAmps(dc, c, 0)))
    })
    return most
  }
}
