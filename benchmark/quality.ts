import type { Predictor } from '../core/diagnosis/predict'
import { severityAt } from '../core/model/machine'
import { QUALITY_AIMS } from './aims'
import { drawCall, type Call, type Sort } from './draw'
import { play, policiesFor, type Played } from './play'
import { random, DrawnMachine, type SheetErrors } from '../core/truth'
import type { Row } from './table'

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
  Array.from({ length: count }, (_, i) => drawCall(p.catalogue, sort, random(seed * 7919 + i), errors))

/** Plays calls under a policy: the same machines and the same hands for each. */
function playAll(p: Predictor, calls: readonly Call[], seed: number, name: string): Played[] {
  const policy = policiesFor(p).find((x) => x.name === name)!
  return calls.map((call, i) => play(p, { ...call, truth: call.truth.again(random(seed * 104729 + i)) }, policy))
}

/**
 * Each listed fault in turn is taken off the sheet and then met: the readings of a machine that has it, in the order
 * asked for. Noticed is: said to fit nothing, or no cause said to stand.
 */
function leftOut(
  open: (without?: string) => Predictor,
  seed: number,
  most: number,
): { noticed: number; named: number; met: number } {
  const whole = open()
  const { faults } = whole.catalogue.machine
  const next = random(seed)
  const order = faults.map((f) => ({ f, at: next() })).sort((a, b) => a.at - b.at)
  let [met, noticed, named] = [0, 0, 0]
  for (const { f } of order) {
    if (met === most) break
    const blind = open(f.id)
    const severity = f.severity && severityAt(f.severity, 0.5)
    const truth = new DrawnMachine(blind.catalogue, [{ fault: { ...f, repair: -1 }, severity }], random(seed + met))
    const [complaint] = truth.complaints()
    if (complaint === undefined) continue
    met++
    const played = play(blind, { sort: 'unlisted', truth, repairs: [], complaint }, policiesFor(blind)[0])
    if (!played.verdict) noticed++
    if (played.named.includes(f.id)) named++
  }
  return { noticed: (100 * noticed) / met, named: (100 * named) / met, met }
}

/** What calls came to under one way of working. */
interface Worked {
  name: string
  minutes: number
  tests: number
  /** Readings taken live, a call. */
  live: number
  /** Parts with a price fitted in vain, of 100 calls. */
  inVain: number
  unresolved: number
}

/** What following the advice comes to on one sheet; shares in %, `of` how many cases stand behind each. */
export interface Quality {
  /** The advice first, then the named orders, the literal checklist last. */
  worked: Worked[]
  bestNamed: Worked
  againstNamed: number
  againstChecklist: number
  rightFirst: number
  rightInTheEnd: number
  pairsRight: number
  sureAndWrong: number
  wrongSheetSureAndWrong: number
  wrongSheetRight: number
  leftOutNoticed: number
  leftOutNamed: number
  saidToFitNothing: number
  withoutVerdict: number
  undecided: number
  unlistedWithoutVerdict: number
  of: {
    singles: number
    pairs: number
    sure: number
    wrongSheet: number
    wrongSure: number
    leftOut: number
    unlisted: number
  }
}

/** Plays calls of every sort: the same calls under the advice, under the named orders and under the checklist. */
export function measureQuality(open: (without?: string) => Predictor, o: QualityOptions): Quality {
  const p = open()
  const names = policiesFor(p).map((x) => x.name)
  const calls = drawAll(p, 'single', o.singles, o.seed)
  const played = names.map((n) => playAll(p, calls, o.seed, n))
  const worked = names.map((name, i): Worked => ({
    name,
    minutes: mean(played[i].map((x) => x.minutes)),
    tests: mean(played[i].map((x) => x.tests)),
    live: mean(played[i].map((x) => x.live)),
    inVain: 100 * mean(played[i].map((x) => x.wrongParts)),
    unresolved: share(played[i], (x) => !x.solved),
  }))
  const [advice, ...others] = worked
  const checklist = others.at(-1)!
  const bestNamed = others.slice(0, -1).reduce((a, b) => (b.minutes < a.minutes ? b : a))
  const [own] = played
  const sure = own.filter((x) => x.stated > 0.95)
  const drawn = (sort: Sort, count: number, salt: number, errors?: SheetErrors) =>
    playAll(p, drawAll(p, sort, count, o.seed + salt, errors), o.seed + salt, advice.name)
  const pairs = drawn('pair', o.pairs, 1)
  const unlisted = drawn('unlisted', o.unlisted, 2)
  const wrongSheet = drawn('single', o.singles, 3, { values: 0.2, times: 0.15 })
  const wrongSure = wrongSheet.filter((x) => x.stated > 0.95)
  const left = leftOut(open, o.seed, o.leftOut)
  return {
    worked,
    bestNamed,
    againstNamed: advice.minutes / bestNamed.minutes,
    againstChecklist: advice.minutes / checklist.minutes,
    rightFirst: share(own, (x) => x.rightFirst),
    rightInTheEnd: share(own, (x) => x.solved),
    pairsRight: share(pairs, (x) => x.solved),
    sureAndWrong: share(sure, (x) => !x.rightFirst),
    wrongSheetSureAndWrong: share(wrongSure, (x) => !x.rightFirst),
    wrongSheetRight: share(wrongSheet, (x) => x.solved),
    leftOutNoticed: left.noticed,
    leftOutNamed: left.named,
    saidToFitNothing: share(own, (x) => x.unexplained),
    withoutVerdict: share(own, (x) => !x.verdict),
    undecided: share(own, (x) => x.undecided),
    unlistedWithoutVerdict: share(unlisted, (x) => !x.verdict),
    of: {
      singles: own.length,
      pairs: pairs.length,
      sure: sure.length,
      wrongSheet: wrongSheet.length,
      wrongSure: wrongSure.length,
      leftOut: left.met,
      unlisted: unlisted.length,
    },
  }
}

/** The figures with their aims. */
export function qualityRows(q: Quality): Row[] {
  const { of } = q
  const percent = (what: string, figure: number, count: number, aim: Pick<Row, 'most' | 'least'> = {}): Row => ({
    what,
    figure,
    unit: '%',
    of: count,
    ...aim,
  })
  return [
    ...q.worked.flatMap((w, i): Row[] => [
      { what: `${w.name}: minutes`, figure: w.minutes, unit: 'min', of: of.singles },
      { what: `${w.name}: tests`, figure: w.tests, unit: '' },
      { what: `${w.name}: live readings a call`, figure: w.live, unit: '' },
      {
        what: `${w.name}: parts fitted in vain, of 100 calls`,
        figure: w.inVain,
        unit: '',
        ...(i ? {} : { most: QUALITY_AIMS.inVain }),
      },
      percent(`${w.name}: unresolved`, w.unresolved, of.singles),
    ]),
    {
      what: `minutes against the best named order (${q.bestNamed.name})`,
      figure: q.againstNamed,
      unit: '',
      most: QUALITY_AIMS.ofNamed,
    },
    {
      what: 'minutes against the literal checklist',
      figure: q.againstChecklist,
      unit: '',
      most: QUALITY_AIMS.ofChecklist,
    },
    percent('single faults: right repair chosen first', q.rightFirst, of.singles),
    percent('single faults: right repair in the end', q.rightInTheEnd, of.singles, { least: QUALITY_AIMS.right }),
    percent('pairs: both right in the end', q.pairsRight, of.pairs, { least: QUALITY_AIMS.pairs }),
    percent('stated above 95 %, and wrong', q.sureAndWrong, of.sure, { most: QUALITY_AIMS.sureAndWrong }),
    percent('the same, sheet values wrong by 20 %, times 15 %', q.wrongSheetSureAndWrong, of.wrongSure, {
      most: QUALITY_AIMS.wrongSheet,
    }),
    percent('right in the end on that wrong sheet', q.wrongSheetRight, of.wrongSheet),
    percent('left off the sheet and met: noticed', q.leftOutNoticed, of.leftOut, { least: QUALITY_AIMS.noticed }),
    percent('left off and met: named', q.leftOutNamed, of.leftOut),
    percent('listed faults said to fit nothing', q.saidToFitNothing, of.singles, { most: QUALITY_AIMS.noFit }),
    percent('listed faults: no cause said to stand at first', q.withoutVerdict, of.singles),
    percent('listed faults: nothing clear enough to buy a part for', q.undecided, of.singles),
    percent('unlisted faults: no cause said to stand', q.unlistedWithoutVerdict, of.unlisted),
  ]
}
