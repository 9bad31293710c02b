import type { Predictor } from '../core/predict'
import { drawCall, type Call, type Sort } from './draw'
import { play, policiesFor, type Played } from './play'
import { random } from './random'
import type { Row } from './table'
import { TrueMachine, type SheetErrors } from './true-machine'

export interface QualityOptions {
  seed: number
  singles: number
  pairs: number
  unlisted: number
  leftOut: number
}

const mean = (list: readonly number[]): number => list.reduce((s, x) => s + x, 0) / list.length
const share = <T>(list: readonly T[], is: (x: T) => boolean): number => (100 * list.filter(is).length) / list.length

const drawAll = (p: Predictor, sort: Sort, count: number, seed: number, errors?: SheetErrors): Call[] =>
  Array.from({ length: count }, (_, i) => drawCall(p.bench, sort, random(seed * 7919 + i), errors))

/** Plays calls under a policy: the same machines and the same hands for each. */
function playAll(p: Predictor, calls: readonly Call[], seed: number, name: string): Played[] {
  const policy = policiesFor(p).find((x) => x.name === name)!
  return calls.map((call, i) => play(p, { ...call, truth: call.truth.again(random(seed * 104729 + i)) }, policy))
}

/**
 * Each listed fault in turn is taken off the sheet and then met: the readings of a machine that has it, in the order
 * asked for. Noticed is: said to fit nothing, or no cause said to stand.
 */
function leftOut(open: (without?: string) => Predictor, seed: number, most: number): Row {
  const whole = open()
  const { faults } = whole.bench.machine
  const next = random(seed)
  const order = faults.map((f) => ({ f, at: next() })).sort((a, b) => a.at - b.at)
  let [met, noticed] = [0, 0]
  for (const { f } of order) {
    if (met === most) break
    const blind = open(f.id)
    const severity = f.severity && Math.sqrt(f.severity.from * f.severity.to)
    const truth = new TrueMachine(blind.bench, [{ fault: { ...f, repair: -1 }, severity }], random(seed + met))
    const [complaint] = truth.complaints()
    if (complaint === undefined) continue
    met++
    const played = play(blind, { sort: 'unlisted', truth, repairs: [], complaint }, policiesFor(blind)[0])
    if (!played.verdict) noticed++
  }
  return { what: 'left off the sheet and met: noticed', figure: (100 * noticed) / met, unit: '%', least: 80, of: met }
}

/** What following the advice comes to, against named orders and a checklist on the same calls. */
export function qualityRows(open: (without?: string) => Predictor, o: QualityOptions): Row[] {
  const p = open()
  const names = policiesFor(p).map((x) => x.name)
  const calls = drawAll(p, 'single', o.singles, o.seed)
  const singles = new Map(names.map((n) => [n, playAll(p, calls, o.seed, n)]))
  const minutes = (n: string) => mean(singles.get(n)!.map((x) => x.minutes))
  const [advice, ...others] = names
  const fair = others.slice(0, -1)
  const best = fair.reduce((a, b) => (minutes(b) < minutes(a) ? b : a))
  const own = singles.get(advice)!
  const sure = own.filter((x) => x.stated > 0.95)
  const drawn = (sort: Sort, count: number, salt: number, errors?: SheetErrors) =>
    playAll(p, drawAll(p, sort, count, o.seed + salt, errors), o.seed + salt, advice)
  const pairs = drawn('pair', o.pairs, 1)
  const unlisted = drawn('unlisted', o.unlisted, 2)
  const wrongSheet = drawn('single', o.singles, 3, { values: 0.2, times: 0.15 })
  const wrongSure = wrongSheet.filter((x) => x.stated > 0.95)
  const rows: Row[] = names.flatMap((n): Row[] => {
    const all = singles.get(n)!
    return [
      { what: `${n}: minutes`, figure: minutes(n), unit: 'min', of: all.length },
      { what: `${n}: tests`, figure: mean(all.map((x) => x.tests)), unit: '' },
      {
        what: `${n}: parts fitted in vain, of 100 calls`,
        figure: 100 * mean(all.map((x) => x.wrongParts)),
        unit: '',
        ...(n === advice ? { most: 2 } : {}),
      },
      { what: `${n}: unresolved`, figure: share(all, (x) => !x.solved), unit: '%' },
    ]
  })
  return [
    ...rows,
    {
      what: `minutes against the best named order (${best})`,
      figure: minutes(advice) / minutes(best),
      unit: '',
      most: 0.85,
    },
    {
      what: 'minutes against the literal checklist',
      figure: minutes(advice) / minutes(others.at(-1)!),
      unit: '',
      most: 0.7,
    },
    {
      what: 'single faults: right repair chosen first',
      figure: share(own, (x) => x.rightFirst),
      unit: '%',
      of: own.length,
    },
    {
      what: 'single faults: right repair in the end',
      figure: share(own, (x) => x.solved),
      unit: '%',
      least: 97,
      of: own.length,
    },
    {
      what: 'pairs: both right in the end',
      figure: share(pairs, (x) => x.solved),
      unit: '%',
      least: 85,
      of: pairs.length,
    },
    {
      what: 'stated above 95 %, and wrong',
      figure: share(sure, (x) => !x.rightFirst),
      unit: '%',
      most: 2,
      of: sure.length,
    },
    {
      what: 'the same, sheet values wrong by 20 %, times 15 %',
      figure: share(wrongSure, (x) => !x.rightFirst),
      unit: '%',
      most: 5,
      of: wrongSure.length,
    },
    {
      what: 'right in the end on that wrong sheet',
      figure: share(wrongSheet, (x) => x.solved),
      unit: '%',
      of: wrongSheet.length,
    },
    leftOut(open, o.seed, o.leftOut),
    {
      what: 'listed faults said to fit nothing',
      figure: share(own, (x) => x.unexplained),
      unit: '%',
      most: 3,
      of: own.length,
    },
    {
      what: 'listed faults: no cause said to stand at the first repair',
      figure: share(own, (x) => !x.verdict),
      unit: '%',
      of: own.length,
    },
    {
      what: 'unlisted faults: no cause said to stand',
      figure: share(unlisted, (x) => !x.verdict),
      unit: '%',
      of: unlisted.length,
    },
  ]
}
