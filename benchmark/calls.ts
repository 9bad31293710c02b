import type { Predictor } from '../core/diagnosis/predict'
import { severityAt } from '../core/model/machine'
import { DrawnMachine, random, type SheetErrors } from '../core/truth'
import { drawCall, drawCallOf, type Call, type Sort } from './draw'
import type { Journal } from './journal'
import { play, policiesFor, type Played } from './play'

export interface CallOptions {
  seed: number
  /** Calls with one fault: so many drawn by rate; and so many of each fault that somebody calls for. */
  singles: number
  each: number
  pairs: number
  unlisted: number
  leftOut: number
  /** Calls on a sheet whose values are off; as many as `singles` when left out. */
  wrongSheet?: number
}

/** One call played to its end. */
export interface CallRecord {
  sheet: string
  sort: Sort | 'wrong-sheet' | 'left-out'
  policy: string
  /** What the machine had, and what would put it right. */
  faults: string[]
  remedies: string[]
  /** Nothing where nobody would have called. */
  played: Played | undefined
}

/** How far the values of a sheet are off where it is called wrong. */
const WRONG: SheetErrors = { values: 0.2, times: 0.15 }

/** A call that may be played. */
interface Planned {
  key: string
  play(): CallRecord
}

/** The calls of one sheet, each by itself the same whatever else is played: machine, hands and meters from its own seed. */
class Planning {
  private readonly whole: Predictor
  readonly policies: readonly string[]

  constructor(
    private readonly open: (without?: string) => Predictor,
    private readonly seed: number,
  ) {
    this.whole = open()
    this.policies = policiesFor(this.whole).map((p) => p.name)
  }
  private get machine() {
    return this.whole.catalogue.machine
  }
  private planned(
    sort: CallRecord['sort'],
    n: number,
    policy: string,
    played: () => Pick<CallRecord, 'faults' | 'remedies' | 'played'>,
  ): Planned {
    const { id: sheet } = this.machine.sheet
    const key = [sheet, sort, this.seed, n, policy].join(' ')
    return { key, play: () => ({ sheet, sort, policy, ...played() }) }
  }
  /** A call followed to its end. @param hands seed of whoever does it */
  private follow(call: Call | undefined, policy: string, hands: number) {
    if (!call) return { faults: [], remedies: [], played: undefined }
    const faults = call.truth.activeFaults.map(({ fault }) => fault.id)
    const remedies = call.repairs.map((r) => this.machine.sheet.repairs[r].id)
    const by = policiesFor(this.whole).find((x) => x.name === policy)!
    return { faults, remedies, played: play(this.whole, { ...call, truth: call.truth.again(random(hands)) }, by) }
  }

  /** Calls drawn by rate. @param salt sets one sort's seeds apart from another's */
  drawn(
    sort: Sort,
    count: number,
    salt: number,
    {
      policies = this.policies.slice(0, 1),
      as = sort as CallRecord['sort'],
      errors = undefined as SheetErrors | undefined,
    } = {},
  ): Planned[] {
    const seed = this.seed + salt
    return Array.from({ length: count }, (_, n) =>
      policies.map((policy) =>
        this.planned(as, n, policy, () =>
          this.follow(drawCall(this.whole.catalogue, sort, random(seed * 7919 + n), errors), policy, seed * 104729 + n),
        ),
      ),
    ).flat()
  }
  /** So many calls of each fault that somebody calls for. */
  ofEach(count: number): Planned[] {
    const [advice] = this.policies
    return this.calledFor().flatMap((fault) =>
      Array.from({ length: count }, (_, k) => {
        const n = 1e6 + fault.index * 100 + k
        const draw = () => drawCallOf(this.whole.catalogue, fault, random(this.seed * 7919 + n))
        return this.planned('single', n, advice, () => this.follow(draw(), advice, this.seed * 104729 + n))
      }),
    )
  }
  /** Faults taken off the sheet and then met: the readings of a machine that has it, in the order asked for. */
  leftOut(most: number): Planned[] {
    const next = random(this.seed)
    return this.calledFor()
      .map((f) => ({ f, at: next() }))
      .sort((a, b) => a.at - b.at)
      .slice(0, most)
      .map(({ f }, n) =>
        this.planned('left-out', n, this.policies[0], () => {
          const blind = this.open(f.id)
          const severity = f.severity && severityAt(f.severity, 0.5)
          const faults = [{ fault: { ...f, repair: -1 }, severity }]
          const truth = new DrawnMachine(blind.catalogue, faults, random(this.seed + n))
          const [complaint] = truth.complaints()
          const call: Call = { sort: 'unlisted', truth, repairs: [], complaint }
          return {
            faults: [f.id],
            remedies: [this.machine.sheet.repairs[f.repair].id],
            played: complaint === undefined ? undefined : play(blind, call, policiesFor(blind)[0]),
          }
        }),
      )
  }
  private calledFor() {
    return this.machine.faults.filter((f) => !this.machine.sheet.faults[f.index].latent)
  }
}

/** Every call that the options ask for, of one sheet. */
export function plannedCalls(open: (without?: string) => Predictor, o: CallOptions): Planned[] {
  const planning = new Planning(open, o.seed)
  return [
    ...planning.drawn('single', o.singles, 0, { policies: [...planning.policies] }),
    ...planning.ofEach(o.each),
    ...planning.drawn('pair', o.pairs, 1),
    ...planning.drawn('unlisted', o.unlisted, 2),
    ...planning.drawn('single', o.wrongSheet ?? o.singles, 3, { as: 'wrong-sheet', errors: WRONG }),
    ...planning.leftOut(o.leftOut),
  ]
}

/** One of several parts of the work: every n-th call, from the i-th on. */
export interface Part {
  i: number
  n: number
}

/** `2/4`: the second of four parts. */
export function partOf(text: string | undefined): Part {
  const [i, n] = (text ?? '1/1').split('/').map(Number)
  if (!(i >= 1 && i <= n)) throw new Error(`--part ${text}: written as 2/4, the second of four`)
  return { i, n }
}

/** Plays what of the planned calls is not in the journal yet, in the order of planning. */
export function playCalls(
  planned: readonly Planned[],
  journal: Journal<CallRecord>,
  { i, n }: Part = { i: 1, n: 1 },
): CallRecord[] {
  return planned.filter((_, k) => k % n === i - 1).map(({ key, play: now }) => journal.of(key, now))
}
