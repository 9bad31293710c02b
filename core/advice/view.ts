import type { WorkMode } from '../evidence'
import type { PlanState } from '../diagnosis/plan'
import { findMeter } from '../simulation/instrument'
import { findProcedure, accessPath, readingShapeFor, type Procedure } from '../diagnosis/catalogue'
import { interventionsKey, type Predictor } from '../diagnosis/predict'
import type { ReadingShape } from '../foundation/quantity'
import type { Advice } from './advise'
import { expectations, reasons, type Consequence, type Expectation } from './reasons'
import { dimensionOf, sayBeside, sayCautions, sayDoubt, sayHow, sayMove, sayReading, sayTest, sayVerdict } from './say'

/** Advice as plain data with its words, for a screen. Crosses from the worker as it is. */
export interface View {
  suspects: { title: string; faults: string[]; p: number }[]
  healthy: number
  unknownFault: number
  truncatedMass: number
  links: {
    part: number
    p: number
    restingProbability: number
    state: 'open' | 'proven' | 'suspect' | 'faulty' | 'bypassed'
  }[]
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
  }[]
  /** Once the tests end: what is not on the sheet and not ruled out, with the test that would tell. */
  unlistedCandidates: {
    title: string
    text: string
    distinguishedBy: { id: string; title: string; minutes: number } | undefined
  }[]
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

/** Everything the card of one test shows. */
export interface TestCard {
  id: string
  title: string
  how: string
  /** Part that the test looks at, -1 for the whole machine. */
  part: number
  workMode: TestRow['workMode']
  /** Whether it waits for a moment of a program, which may never come. */
  waits: boolean
  shape: ReadingShape
  /** The instrument chosen, and those it can be taken with, the usual one first. */
  meter: string | undefined
  meters: { id: string; title: string }[]
  minutes: number
  /** What it showed before, with the same things in and out; `undefined` when it has not been read so. */
  before: string | undefined
  steps: string[]
  cautions: string[]
  /** What taking it ends, in words, and the tests worth taking that it makes dearer: to be taken first. */
  destroys: string | undefined
  losing: { id: string; title: string; now: number; after: number }[]
  healthy: Expectation
  suspects: Expectation[]
  why: Consequence[]
}

/** Share from which something that the sheet does not list is worth a word on a screen. */
const SAID_FROM = 0.02

/** @param settled whether the advice has pairs of faults run */
export function viewOf(predictor: Predictor, a: Advice, settled = true): View {
  const { machine } = predictor.catalogue
  const title = (faults: { title: string }[]) => faults.map((f) => f.title).join(' and ')
  return {
    suspects: a.suspects
      .filter((s) => s.faults.length && s.p > 0.0005)
      .slice(0, 12)
      .map((s) => ({ title: title(s.faults), faults: s.faults.map((f) => f.id), p: s.p })),
    healthy: a.suspects.find((s) => !s.faults.length)?.p ?? 0,
    unknownFault: a.belief.unknownFault,
    truncatedMass: a.belief.truncatedMass,
    links: a.links,
    readings: a.verdicts.map((v, i) => {
      const { procedure, value } = a.interpreted.case.readings[i]
      const fits =
        v.finding === 'as it should be'
          ? 'good'
          : v.finding === 'near the edge'
            ? 'edge'
            : v.finding === 'not taken'
              ? 'none'
              : 'bad'
      return {
        test: v.test,
        text: sayReading(value, dimensionOf(procedure)),
        title: sayTest(machine, procedure),
        verdict: sayVerdict(v, dimensionOf(procedure), value),
        fits,
        doubt: sayDoubt(a.belief.doubts[i], value, dimensionOf(procedure)),
      }
    }),
    next: a.plan.next.map((s) => ({
      id: s.procedure.id,
      title: sayTest(machine, s.procedure),
      workMode: s.procedure.workMode,
      minutes: s.minutes,
      saving: s.saving,
    })),
    remedies: a.plan.remedies.map((r) => {
      const { id, title: what, licensed } = machine.sheet.repairs[r.repair]
      const named = (faults: number[]) => faults.map((f) => machine.faults[f].title)
      return {
        id,
        title: what,
        p: r.p,
        minutes: r.minutes,
        price: r.price,
        unproven: named(r.unproven),
        rootCauses: named(r.rootCauses),
        licensed,
      }
    }),
    unlistedCandidates: a.plan.unlistedCandidates
      .filter((b) => b.share >= SAID_FROM)
      .slice(0, 4)
      .map(({ fault, share, distinguishedBy: tells }) => ({
        title: fault.title,
        text: sayBeside(share),
        distinguishedBy: tells && {
          id: tells.procedure.id,
          title: sayTest(machine, tells.procedure),
          minutes: tells.minutes,
        },
      })),
    state: a.plan.state,
    settled,
  }
}

/** A test counts as lost when it takes this much longer afterwards, min. */
const DEARER = 1

/** Tests worth their minutes now that taking this one first would make dearer. */
function losingBy(predictor: Predictor, a: Advice, procedure: Procedure): TestCard['losing'] {
  const { machine } = predictor.catalogue
  const { after } = accessPath(machine, a.interpreted.workState, procedure)
  return a.plan.next
    .filter((s) => s.procedure !== procedure && s.saving > s.minutes)
    .map((s) => ({
      id: s.procedure.id,
      title: sayTest(machine, s.procedure),
      now: s.minutes,
      after: accessPath(machine, after, s.procedure).minutes,
    }))
    .filter((s) => s.after - s.now >= DEARER)
    .slice(0, 3)
}

/** The card of one test as the evidence stands: how to take it, what each suspect would make it show, and why. */
export function cardOf(
  predictor: Predictor,
  a: Advice,
  testId: string,
  instrument?: string,
  pairs?: number,
): TestCard | undefined {
  const { machine } = predictor.catalogue
  const procedure = findProcedure(predictor.catalogue, testId, instrument)
  if (!procedure) return undefined
  const usual = procedure.meter
  const meter = instrument !== undefined && procedure.alternativeMeters.includes(instrument) ? instrument : usual
  const suggestion = a.plan.next.find((s) => s.procedure === procedure)
  const shown = expectations(predictor, a.belief, procedure, meter, a.interpreted.interventions)
  const way = suggestion ?? accessPath(machine, a.interpreted.workState, procedure)
  return {
    id: procedure.id,
    title: sayTest(machine, procedure),
    how: sayHow(machine, procedure, meter),
    part:
      procedure.measurement.type === 'probe' || procedure.measurement.type === 'watch'
        ? procedure.measurement.part
        : -1,
    workMode: procedure.workMode,
    waits: procedure.needs.arrival !== undefined,
    shape: readingShapeFor(procedure, meter),
    meter,
    meters: [...(usual === undefined ? [] : [usual]), ...procedure.alternativeMeters.filter((m) => m !== usual)].map(
      (id) => ({
        id,
        title: findMeter(id)!.title,
      }),
    ),
    minutes: way.minutes,
    before: a.interpreted.case.readings
      .filter((r) => r.procedure.id === procedure.id && r.value.type !== 'could-not')
      .filter((r) => interventionsKey(r.interventions) === interventionsKey(a.interpreted.interventions))
      .map((r) => sayReading(r.value, dimensionOf(procedure)))
      .at(-1),
    steps: way.steps.map((m) => sayMove(machine, m)),
    cautions: sayCautions(machine, procedure),
    destroys: way.steps.some((m) => m.type === 'isolate') ? procedure.destroys : undefined,
    losing: losingBy(predictor, a, procedure),
    healthy: shown.healthy,
    suspects: shown.suspects,
    why: suggestion && meter === usual ? reasons(predictor, a.belief, a.interpreted, suggestion, 3, pairs) : [],
  }
}
