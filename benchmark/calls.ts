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
  /** Only the advice is followed: none of the orders that people go by. */
  adviceOnly?: boolean
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

/** Every call of one sheet, each by itself the same whatever else is played: machine, hands and meters from its own seed. */
export function plannedCalls(open: (without?: string) => Predictor, o: CallOptions): Planned[] {
  let whole: Predictor | undefined
  const own = () => (whole ??= open())
  const { machine } = own().catalogue
  const { sheet } = machine
  const names = policiesFor(own()).map((p) => p.name)
  const planned = (
    sort: CallRecord['sort'],
    n: number,
    policy: string,
    played: () => Omit<CallRecord, 'sheet' | 'sort' | 'policy'>,
  ): Planned => ({
    key: [sheet.id, sort, o.seed, n, policy].join(' '),
    play: () => ({ sheet: sheet.id, sort, policy, ...played() }),
  })
  const follow = (call: Call | undefined, policy: string, hands: number) => {
    if (!call) return { faults: [], remedies: [], played: undefined }
    const p = own()
    const faults = call.truth.activeFaults.map(({ fault }) => fault.id)
    const by = policiesFor(p).find((x) => x.name === policy)!
    const remedies = call.repairs.map((r) => sheet.repairs[r].id)
    return { faults, remedies, played: play(p, { ...call, truth: call.truth.again(random(hands)) }, by) }
  }
  const drawn = (
    sort: Sort,
    count: number,
    salt: number,
    policies: readonly string[],
    as: CallRecord['sort'] = sort,
    errors?: SheetErrors,
  ) =>
    Array.from({ length: count }, (_, n) =>
      policies.map((policy) =>
        planned(as, n, policy, () =>
          follow(
            drawCall(own().catalogue, sort, random((o.seed + salt) * 7919 + n), errors),
            policy,
            (o.seed + salt) * 104729 + n,
          ),
        ),
      ),
    ).flat()
  const ofEach = machine.faults
    .filter((f) => !sheet.faults[f.index].latent)
    .flatMap((fault) =>
      Array.from({ length: o.each }, (_, k) => {
        const n = 1e6 + fault.index * 100 + k
        return planned('single', n, names[0], () =>
          follow(drawCallOf(own().catalogue, fault, random(o.seed * 7919 + n)), names[0], o.seed * 104729 + n),
        )
      }),
    )
  const next = random(o.seed)
  const leftOut = machine.faults
    .filter((f) => !sheet.faults[f.index].latent)
    .map((f) => ({ f, at: next() }))
    .sort((a, b) => a.at - b.at)
    .slice(0, o.leftOut)
    .map(({ f }, n) =>
      planned('left-out', n, names[0], () => {
        const blind = open(f.id)
        const severity = f.severity && severityAt(f.severity, 0.5)
        const truth = new DrawnMachine(blind.catalogue, [{ fault: { ...f, repair: -1 }, severity }], random(o.seed + n))
        const [complaint] = truth.complaints()
        const call: Call = { sort: 'unlisted', truth, repairs: [], complaint }
        return {
          faults: [f.id],
          remedies: [sheet.repairs[f.repair].id],
          played: complaint === undefined ? undefined : play(blind, call, policiesFor(blind)[0]),
        }
      }),
    )
  return [
    ...drawn('single', o.singles, 0, o.adviceOnly ? names.slice(0, 1) : names),
    ...ofEach,
    ...drawn('pair', o.pairs, 1, names.slice(0, 1)),
    ...drawn('unlisted', o.unlisted, 2, names.slice(0, 1)),
    ...drawn('single', o.wrongSheet ?? o.singles, 3, names.slice(0, 1), 'wrong-sheet', WRONG),
    ...leftOut,
  ]
}

/** One of several parts of the work: every n-th call, from the i-th on. */
export interface Part {
  i: number
  n: number
}

/** Plays what of the planned calls is not in the journal yet, in the order of planning. */
export function playCalls(
  planned: readonly Planned[],
  journal: Journal<CallRecord>,
  { i, n }: Part = { i: 1, n: 1 },
): CallRecord[] {
  return planned.filter((_, k) => k % n === i - 1).map(({ key, play: now }) => journal.of(key, now))
}
