import type { PlanState } from '../plan'
import { findMeter } from '../simulation/instrument'
import { findProcedure, minutesTo, shapeWith, type Procedure } from '../procedure'
import { interventionsKey, type Predictor } from '../predict'
import type { ReadingShape } from '../foundation/quantity'
import type { Advice } from './advise'
import { expectations, reasons, type Consequence, type Expectation } from './reasons'
import { dimensionOf, sayBeside, sayCautions, sayDoubt, sayHow, sayMove, sayReading, sayTest, sayVerdict } from './say'

/** Advice as plain data with its words, for a screen. Crosses from the worker as it is. */
export interface View {
  suspects: { title: string; faults: string[]; p: number }[]
  healthy: number
  unexplained: number
  residual: number
  links: { part: number; p: number; rests: number; state: 'open' | 'proven' | 'suspect' | 'faulty' | 'bypassed' }[]
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
    killers: string[]
    /** What of it is for licensed people alone; advice stops there. */
    licensed: string | undefined
  }[]
  /** Once the tests end: what is not on the sheet and not ruled out, with the test that would tell. */
  besides: { title: string; says: string; tells: { id: string; title: string; minutes: number } | undefined }[]
  state: PlanState
  /** Whether pairs of faults have been run: the settled answer. */
  settled: boolean
}

export interface TestRow {
  id: string
  title: string
  school: 'live' | 'dead' | 'water' | 'look'
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
  school: TestRow['school']
  /** Whether it waits for a moment of a program, which may never come. */
  waits: boolean
  shape: ReadingShape
  /** The instrument chosen, and those it can be taken with, the usual one first. */
  meter: string | undefined
  meters: { id: string; title: string }[]
  minutes: number
  /** What it showed before, with the same things in and out; `undefined` when it has not been read so. */
  before: string | undefined
  moves: string[]
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
  const { machine } = predictor.bench
  const title = (faults: { title: string }[]) => faults.map((f) => f.title).join(' and ')
  return {
    suspects: a.suspects
      .filter((s) => s.faults.length && s.p > 0.0005)
      .slice(0, 12)
      .map((s) => ({ title: title(s.faults), faults: s.faults.map((f) => f.id), p: s.p })),
    healthy: a.suspects.find((s) => !s.faults.length)?.p ?? 0,
    unexplained: a.belief.unexplained,
    residual: a.belief.residual,
    links: a.links,
    readings: a.verdicts.map((v, i) => {
      const { procedure, value } = a.placed.case.readings[i]
      const fits =
        v.says === 'as it should be'
          ? 'good'
          : v.says === 'near the edge'
            ? 'edge'
            : v.says === 'not taken'
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
      school: s.procedure.school,
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
        killers: named(r.killers),
        licensed,
      }
    }),
    besides: a.plan.besides
      .filter((b) => b.share >= SAID_FROM)
      .slice(0, 4)
      .map(({ fault, share, tells }) => ({
        title: fault.title,
        says: sayBeside(share),
        tells: tells && {
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
  const { machine } = predictor.bench
  const { after } = minutesTo(machine, a.placed.standing, procedure)
  return a.plan.next
    .filter((s) => s.procedure !== procedure && s.saving > s.minutes)
    .map((s) => ({
      id: s.procedure.id,
      title: sayTest(machine, s.procedure),
      now: s.minutes,
      after: minutesTo(machine, after, s.procedure).minutes,
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
  const { machine } = predictor.bench
  const procedure = findProcedure(predictor.bench, testId, instrument)
  if (!procedure) return undefined
  const usual = procedure.meter
  const meter = instrument !== undefined && procedure.otherMeters.includes(instrument) ? instrument : usual
  const suggestion = a.plan.next.find((s) => s.procedure === procedure)
  const shown = expectations(predictor, a.belief, procedure, meter, a.placed.interventions)
  const way = suggestion ?? minutesTo(machine, a.placed.standing, procedure)
  return {
    id: procedure.id,
    title: sayTest(machine, procedure),
    how: sayHow(machine, procedure, meter),
    part: procedure.what.is === 'probe' || procedure.what.is === 'watch' ? procedure.what.part : -1,
    school: procedure.school,
    waits: procedure.needs.reach !== undefined,
    shape: shapeWith(procedure, meter),
    meter,
    meters: [...(usual === undefined ? [] : [usual]), ...procedure.otherMeters.filter((m) => m !== usual)].map(
      (id) => ({
        id,
        title: findMeter(id)!.title,
      }),
    ),
    minutes: way.minutes,
    before: a.placed.case.readings
      .filter((r) => r.procedure.id === procedure.id && r.value.is !== 'could-not')
      .filter((r) => interventionsKey(r.interventions) === interventionsKey(a.placed.interventions))
      .map((r) => sayReading(r.value, dimensionOf(procedure)))
      .at(-1),
    moves: way.moves.map((m) => sayMove(machine, m)),
    cautions: sayCautions(machine, procedure),
    destroys: way.moves.some((m) => m.is === 'isolate') ? procedure.destroys : undefined,
    losing: losingBy(predictor, a, procedure),
    healthy: shown.healthy,
    suspects: shown.suspects,
    why: suggestion && meter === usual ? reasons(predictor, a.belief, a.placed, suggestion, 3, pairs) : [],
  }
}
