import type { ReadingShape } from '../foundation/quantity'
import { dimensionOf, findProcedure, readingShapeFor, type Procedure } from '../diagnosis/catalogue'
import { interventionsKey, type Predictor } from '../diagnosis/predict'
import type { Machine } from '../model/machine'
import { findMeter } from '../simulation/instrument'
import { describeCautions, describeHow, describeLoss, describeStep, describeTest, formatReading } from '../words'
import type { Advice } from './advise'
import { expectations, type Expectation } from './expectations'
import { reasons, type Consequence } from './reasons'
import type { TestRow } from './view'

/** Everything the card of one test shows. */
export interface TestCard {
  id: string
  title: string
  how: string
  /** Part that the test looks at, -1 for the whole machine. */
  part: number
  workMode: TestRow['workMode']
  /** Part that is bridged for it: noted as a bypass until it is out; `undefined` where none is. */
  jumper: string | undefined
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

/** A test counts as lost when it takes this much longer afterwards, min. */
const DEARER = 1

/** Most tests named that are lost, and most lines of the reason. */
const MOST_LOST = 3
const MOST_REASONS = 3

/** Tests worth their minutes now that taking this one first would make dearer. */
function losingBy(predictor: Predictor, a: Advice, procedure: Procedure): TestCard['losing'] {
  const { machine, accessPaths } = predictor.catalogue
  const { after } = accessPaths.from(a.interpreted.workState, procedure)
  return a.plan.next
    .filter((s) => s.procedure !== procedure && s.saving > s.minutes)
    .map((s) => ({
      id: s.procedure.id,
      title: describeTest(machine, s.procedure, predictor.calibration.plan.timesWorked),
      now: s.minutes,
      after: accessPaths.from(after, s.procedure).minutes,
    }))
    .filter((s) => s.after - s.now >= DEARER)
    .slice(0, MOST_LOST)
}

/** What a test showed last with the same things in and out; `undefined` when it has not been read so. */
function lastReading({ interpreted }: Advice, procedure: Procedure): string | undefined {
  const now = interventionsKey(interpreted.interventions)
  const before = interpreted.case.readings.findLast(
    (r) => r.procedure.id === procedure.id && r.value.type !== 'could-not' && interventionsKey(r.interventions) === now,
  )
  return before && formatReading(before.value, dimensionOf(procedure))
}

/** The part that a special test of the sheet has a jumper across. */
function jumperOf({ parts, tests }: Machine, { measurement: m }: Procedure): string | undefined {
  const jumper = m.type === 'watch' ? tests.find((t) => t.id === m.test)?.jumper : undefined
  return jumper === undefined ? undefined : parts[jumper].id
}

/** The card of one test as the evidence stands: how to take it, what each suspect would make it show, and why. */
export function cardOf(
  predictor: Predictor,
  a: Advice,
  testId: string,
  instrument?: string,
  pairs?: number,
): TestCard | undefined {
  const { machine, accessPaths } = predictor.catalogue
  const { timesWorked } = predictor.calibration.plan
  const procedure = findProcedure(predictor.catalogue, testId, instrument)
  if (!procedure) return undefined
  const { measurement, meter: usual, alternativeMeters } = procedure
  const meter = instrument !== undefined && alternativeMeters.includes(instrument) ? instrument : usual
  const meters = usual === undefined ? alternativeMeters : [usual, ...alternativeMeters.filter((m) => m !== usual)]
  const suggestion = a.plan.next.find((s) => s.procedure === procedure)
  const way = suggestion ?? accessPaths.from(a.interpreted.workState, procedure)
  return {
    id: procedure.id,
    title: describeTest(machine, procedure, timesWorked),
    how: describeHow(machine, procedure, meter === undefined ? undefined : findMeter(meter), timesWorked),
    part: 'part' in measurement ? measurement.part : -1,
    workMode: procedure.workMode,
    jumper: jumperOf(machine, procedure),
    waits: procedure.needs.arrival !== undefined,
    shape: readingShapeFor(procedure, meter),
    meter,
    meters: meters.map((id) => ({ id, title: findMeter(id)!.title })),
    minutes: way.minutes,
    before: lastReading(a, procedure),
    steps: way.steps.map((step) => describeStep(machine, step)),
    cautions: describeCautions(machine, procedure),
    destroys: way.steps.some((step) => step.type === 'isolate') ? describeLoss(procedure) : undefined,
    losing: losingBy(predictor, a, procedure),
    ...expectations(predictor, a.belief, procedure, meter, a.interpreted.interventions),
    why:
      suggestion && meter === usual ? reasons(predictor, a.belief, a.interpreted, suggestion, MOST_REASONS, pairs) : [],
  }
}
