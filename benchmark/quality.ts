import { QUALITY_AIMS } from './aims'
import type { CallRecord } from './calls'
import type { Played } from './play'
import type { Row } from './table'

const mean = (list: readonly number[]): number => list.reduce((s, x) => s + x, 0) / list.length
const share = <T>(list: readonly T[], is: (x: T) => boolean): number => (100 * list.filter(is).length) / list.length

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

/** Those that were played of a sort, under one way of working. */
export function playedOf(records: readonly CallRecord[], sort: CallRecord['sort'], policy: string): Played[] {
  return records.flatMap((r) => (r.sort === sort && r.policy === policy && r.played ? [r.played] : []))
}

/**
 * Whether a fault that the sheet has not was taken for nothing else: no cause was said to stand, or what was said to be done
 * is what puts it right all the same.
 */
export const notMisled = ({ played, remedies }: CallRecord): boolean =>
  !played!.verdict || remedies.includes(played!.remedy)

/** What the calls of one sheet came to: the same calls under the advice, under the named orders and under the checklist. */
export function qualityOf(records: readonly CallRecord[]): Quality {
  const names = [...new Set(records.filter((r) => r.sort === 'single').map((r) => r.policy))]
  const [first] = names
  const played = names.map((n) => playedOf(records, 'single', n))
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
  const pairs = playedOf(records, 'pair', first)
  const unlisted = playedOf(records, 'unlisted', first)
  const wrongSheet = playedOf(records, 'wrong-sheet', first)
  const wrongSure = wrongSheet.filter((x) => x.stated > 0.95)
  const left = records.filter((r) => r.sort === 'left-out' && r.played)
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
    leftOutNoticed: share(left, notMisled),
    leftOutNamed: share(left, (r) => r.played!.named.includes(r.faults[0])),
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
      leftOut: left.length,
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
