import { severityNodes, unlistedFaults, type Fault, type Machine, type Present } from '../machine'
import type { Member } from './types'

/** Nodes per severity range where the sheet does not say. */
export const SEVERITY_NODES = 3
/** Misses of an intermittent fault that rests, as nodes: share of the times that it is worked or a cycle is run. */
const MISSES = [0.05, 0.2, 0.5]
/** Of the visits to an intermittent fault, those at which it does not act. */
const RESTS = 0.35
/** Pairs whose runs are kept at once, or half of them. */
const PAIRS_KEPT = 600

/** Share of calls where nothing turns out to be wrong, against all fault rates together. */
const HEALTHY_SHARE = 0.03

/** The ways in which a machine may be: healthy first, then single faults by severity; pairs when asked for. */
export class Hypotheses {
  readonly members: Member[] = []
  private made = 0
  private readonly pairs = new Map<string, Member>()

  /** @param forget called with pairs made long ago, now and then: their runs may be let go */
  constructor(
    private readonly machine: Machine,
    private readonly forget: (old: Member) => void,
  ) {
    const total = machine.faults.reduce((sum, f) => sum + f.perYear, 0)
    this.add([], HEALTHY_SHARE * total)
    for (const fault of machine.faults) {
      const resting = fault.perYear * fault.sometimes * RESTS
      const acting = fault.perYear - resting
      for (const misses of resting > 0 ? MISSES : []) {
        const severity = fault.severity && severityNodes(fault.severity, 1)[0]
        this.add([{ fault, severity, misses }], resting / MISSES.length)
      }
      this.members.push(...this.always(fault, acting))
    }
  }

  private make(present: readonly Present[], weight: number, neighbours: Member['neighbours'] = []): Member {
    return { index: this.made++, present, weight, neighbours }
  }
  private add(present: readonly Present[], weight: number): void {
    this.members.push(this.make(present, weight))
  }
  /** The members of a fault that acts whenever it can: one for each node of its severity. */
  private always(fault: Fault, weight: number): Member[] {
    if (!fault.severity) return [this.make([{ fault, severity: undefined }], weight)]
    const count = fault.severity.steps ?? SEVERITY_NODES
    const own: Member[] = []
    for (const [i, severity] of severityNodes(fault.severity, count).entries())
      own.push(this.make([{ fault, severity }], weight / count, [() => ({ below: own[i - 1], above: own[i + 1] })]))
    return own
  }

  private beside: readonly Member[] | undefined
  /** Members for what the kinds know and the sheet does not list: outside the hypothesis space. */
  get unlisted(): readonly Member[] {
    return (this.beside ??= unlistedFaults(this.machine).flatMap((f) => this.always(f, f.perYear)))
  }

  /** The member with the faults of two single members in one machine, made once. */
  pair(a: Member, b: Member, weight: number): Member {
    const [x, y] = a.index < b.index ? [a, b] : [b, a]
    const key = `${x.index}+${y.index}`
    const known = this.pairs.get(key)
    // It may have been made before as the neighbour of another, without a weight of its own.
    if (known) {
      known.weight ||= weight
      return known
    }
    const beside = (one: Member, make: (other: Member) => Member): Member['neighbours'] =>
      one.neighbours.map((find) => () => {
        const { below, above } = find()
        // One side is enough for the width of a node and saves a run.
        return above ? { below: undefined, above: make(above) } : { below: below && make(below), above: undefined }
      })
    this.forgetOld()
    const member = this.make([...x.present, ...y.present], weight, [
      ...beside(x, (other) => this.pair(other, y, 0)),
      ...beside(y, (other) => this.pair(x, other, 0)),
    ])
    this.pairs.set(key, member)
    return member
  }

  private forgetOld(): void {
    if (this.pairs.size % PAIRS_KEPT !== 0) return
    for (const old of [...this.pairs.values()].slice(0, -PAIRS_KEPT / 2)) this.forget(old)
  }

  private readonly awake = new Map<number, Member>()
  /** A member with all its faults acting. */
  acting(member: Member): Member {
    let acting = this.awake.get(member.index)
    if (!acting) {
      acting = this.trial(member.present.map(({ fault, severity }) => ({ fault, severity })))
      this.awake.set(member.index, acting)
    }
    return acting
  }

  /** A member for exactly these faults, outside the hypothesis space: for what-if questions. */
  trial(present: readonly Present[]): Member {
    return this.make(present, 0)
  }
}
