import type { HandAct, WorkMode } from '../evidence'
import type { Finding, LinkStatus } from '../diagnosis/belief'
import { dimensionOf, type Procedure } from '../diagnosis/catalogue'
import type { PlanState } from '../diagnosis/plan'
import type { Predictor } from '../diagnosis/predict'
import type { Machine } from '../model/machine'
import {
  describeCandidate,
  describeDoubt,
  describeStrip,
  describeTest,
  describeVerdict,
  formatReading,
  formatSuspect,
} from '../words'
import type { Advice } from './advise'
import { doubtThresholds } from './doubted-readings'
import { repairActsOf } from './repair-acts'
import { repairGuideOf, type RepairGuide } from './repair-notes'
import { workGroups, type WorkGroup } from './work-groups'

/** Advice as plain data with its words, for a screen. Crosses from the worker as it is. */
export interface View {
  suspects: { title: string; faults: string[]; p: number }[]
  /** The same by what one would do about it. */
  groups: WorkGroup[]
  unknownFault: number
  links: LinkStatus[]
  readings: {
    test: string
    text: string
    title: string
    verdict: string
    fits: 'good' | 'edge' | 'bad' | 'none'
    doubt: string
  }[]
  next: TestRow[]
  remedies: {
    id: string
    title: string
    p: number
    minutes: number
    price: number
    unproven: string[]
    rootCauses: string[]
    /** What of it is for licensed people alone; advice stops there. */
    licensed: string | undefined
    /** What bites at it, or what to warn of before it is begun. */
    caution: string | undefined
    /** What hands do for it. */
    acts: HandAct[]
    guide: RepairGuide
  }[]
  /** Once the tests end: what is not on the sheet and not ruled out, with the test that would tell. */
  unlistedCandidates: {
    title: string
    text: string
    distinguishedBy: { id: string; title: string; minutes: number } | undefined
  }[]
  /** Minutes of work and parts that it will probably take from here to the right repair done. */
  left: number
  state: PlanState
  /** Whether pairs of faults have been run: the settled answer. */
  settled: boolean
}

export interface TestRow {
  id: string
  title: string
  workMode: WorkMode
  minutes: number
  saving: number
}

/** Share from which something that the sheet does not list is worth a word on a screen. */
const SAID_FROM = 0.02

/** Suspects lighter than this stand in no list, nor more than so many. */
const SUSPECT_FROM = 0.0005
const MOST_SUSPECTS = 12
const MOST_CANDIDATES = 4

/** How a screen marks each finding. */
const FITS: Record<Finding, View['readings'][number]['fits']> = {
  good: 'good',
  'near-edge': 'edge',
  low: 'bad',
  high: 'bad',
  open: 'bad',
  wrong: 'bad',
  'never-came': 'bad',
  'never-ended': 'bad',
  'not-taken': 'none',
}

function remediesOf(machine: Machine, { plan }: Advice): View['remedies'] {
  const { sheet, faults } = machine
  const titles = (list: readonly number[]) => list.map((f) => faults[f].title)
  return plan.remedies.map((r) => {
    const { id, title, licensed, caution } = sheet.repairs[r.repair]
    const [unproven, rootCauses] = [titles(r.unproven), titles(r.rootCauses)]
    const [acts, guide] = [repairActsOf(machine, r.repair), repairGuideOf(machine, r.repair)]
    const { p, minutes, price } = r
    return { id, title, p, minutes, price, unproven, rootCauses, licensed, caution, acts, guide }
  })
}

/** What it costs from here without a test, less what the best test spares of it. */
function minutesLeft({ costNow, next, stop }: Advice['plan']): number {
  const [first] = next
  return Math.max(0, costNow - (stop || !first ? 0 : Math.max(0, first.saving - first.minutes)))
}

/** @param settled whether the advice has pairs of faults run */
export function viewOf(predictor: Predictor, a: Advice, settled = true): View {
  const { machine } = predictor.catalogue
  const { plan, belief } = predictor.calibration
  const thresholds = doubtThresholds(a, belief)
  const titleOf = (p: Procedure) => describeTest(machine, p, plan.timesWorked)
  return {
    suspects: a.suspects
      .filter((s) => s.faults.length && s.p > SUSPECT_FROM)
      .slice(0, MOST_SUSPECTS)
      .map((s) => ({ title: formatSuspect(s.faults), faults: s.faults.map((f) => f.id), p: s.p })),
    groups: workGroups(machine, a.suspects, a.belief),
    unknownFault: a.belief.unknownFault,
    links: a.links,
    readings: a.verdicts.map((v, i) => {
      const { procedure, value } = a.interpreted.case.readings[i]
      const dimension = dimensionOf(procedure)
      return {
        test: v.test,
        text: formatReading(value, dimension),
        title: titleOf(procedure),
        verdict: describeVerdict(v, dimension, value),
        fits: FITS[v.finding],
        doubt: describeDoubt(a.belief.doubts[i], value, dimension, thresholds[i]),
      }
    }),
    next: a.plan.next.map((s) => ({
      id: s.strip?.id ?? s.procedure.id,
      title: s.strip ? describeStrip(machine, s.strip, plan.timesWorked) : titleOf(s.procedure),
      workMode: s.procedure.workMode,
      minutes: s.minutes,
      saving: s.saving,
    })),
    remedies: remediesOf(machine, a),
    unlistedCandidates: a.plan.unlistedCandidates
      .filter((b) => b.share >= SAID_FROM)
      .slice(0, MOST_CANDIDATES)
      .map(({ fault, share, distinguishedBy: by }) => ({
        title: fault.title,
        text: describeCandidate(share),
        distinguishedBy: by && { id: by.procedure.id, title: titleOf(by.procedure), minutes: by.minutes },
      })),
    left: minutesLeft(a.plan),
    state: a.plan.state,
    settled,
  }
}
