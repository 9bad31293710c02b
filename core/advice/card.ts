import type { ReadingShape } from '../foundation/quantity'
import type { HandAct } from '../evidence'
import {
  dimensionOf,
  findProcedure,
  handActsOf,
  readingShapeFor,
  type Procedure,
  type Strip,
  type WorkState,
} from '../diagnosis/catalogue'
import { pieceOf } from '../diagram'
import { interventionsKey, type Predictor } from '../diagnosis/predict'
import type { Machine } from '../model/machine'
import { findMeter } from '../simulation/instrument'
import {
  describeCautions,
  describeHow,
  describeLacking,
  describeLoss,
  describePlace,
  describePiece,
  describeRow,
  describeSilentBeeper,
  describeStep,
  describeStrip,
  describeStripCaution,
  describeTest,
  formatReading,
  type NamedPiece,
} from '../words'
import type { Advice } from './advise'
import { takesOff } from './connections'
import { expectations, type Expectation } from './expectations'
import { possibleRange, type PossibleRange } from './possible-range'
import { reasons, type Consequence } from './reasons'
import type { TestRow } from './view'

/** Everything the card of one test shows. */
export interface TestCard {
  id: string
  title: string
  /**
   * The column that it is a row of, where it is taken as one: all its rows with what they showed, and the place of this one;
   * `undefined` for a reading by itself.
   */
  strip:
    | { id: string; title: string; rows: { id: string; title: string; text: string | undefined }[]; at: number }
    | undefined
  how: string
  /** The piece of the machine that it is about, as a small drawing shows it; `undefined` for what is read off the whole. */
  piece: NamedPiece | undefined
  /** Part that the test looks at, -1 for the whole machine. */
  part: number
  workMode: TestRow['workMode']
  /** Part that is bridged for it: noted as a bypass until it is out; `undefined` where none is. */
  jumper: string | undefined
  /** Part whose lead is lifted for it: noted as off until it is back; `undefined` where none is. */
  lifts: string | undefined
  /** What hands do for it: its safety follows from that. */
  acts: HandAct[]
  /** Whether the machine has its power while it is taken. */
  powered: boolean
  /** Whether something comes off for it that has to go back where it was. */
  takesOff: boolean
  /** Where the part sits and where the tips go; empty where the sheet does not say. */
  place: string
  /** Whether it waits for a moment of a program, which may never come. */
  waits: boolean
  shape: ReadingShape
  /** What can be read there at all; `undefined` where it has no number or no limit is known. */
  range: PossibleRange | undefined
  /** The instrument chosen, and those it can be taken with, the usual one first. */
  meter: string | undefined
  meters: { id: string; title: string; atHand: boolean }[]
  /** Why the instrument chosen tells less than it seems, or is not there; `undefined` where nothing is to be said. */
  meterWarning: string | undefined
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
function losingBy(predictor: Predictor, a: Advice, rows: readonly Procedure[], after: WorkState): TestCard['losing'] {
  const { machine, accessPaths } = predictor.catalogue
  return a.plan.next
    .filter((s) => !s.strip && !rows.includes(s.procedure) && s.saving > s.minutes)
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
function lastReading({ interpreted }: Advice, procedure: Procedure, couldNot = false): string | undefined {
  const now = interventionsKey(interpreted.interventions)
  const before = interpreted.case.readings.findLast(
    (r) =>
      r.procedure.id === procedure.id &&
      (couldNot || r.value.type !== 'could-not') &&
      interventionsKey(r.interventions) === now,
  )
  return before && formatReading(before.value, dimensionOf(procedure))
}

/** A column as far as it has been read: its rows, and the place of the one to read now. */
function stripAt({ catalogue, calibration }: Predictor, a: Advice, strip: Strip): NonNullable<TestCard['strip']> {
  const { machine } = catalogue
  const rows = strip.rows.map((row) => ({
    id: row.id,
    title: describeRow(machine, row),
    text: lastReading(a, row, true),
  }))
  const at = rows.findIndex((row) => row.text === undefined)
  return { id: strip.id, title: describeStrip(machine, strip, calibration.plan.timesWorked), rows, at: Math.max(0, at) }
}

/** The part that a test has a jumper across: a special one of the sheet, or one that its kind offers. */
function jumperOf({ parts, tests }: Machine, { measurement: m }: Procedure): string | undefined {
  if ('bridges' in m && m.bridges) return parts[m.part].id
  const jumper = 'test' in m ? tests.find((t) => t.id === m.test)?.jumper : undefined
  return jumper === undefined ? undefined : parts[jumper].id
}

/** The part that a special test of the sheet has a lead lifted off. */
function liftedFor({ parts, tests }: Machine, { measurement: m }: Procedure): string | undefined {
  const lifts = 'test' in m ? tests.find((t) => t.id === m.test)?.lifts : undefined
  return lifts === undefined ? undefined : parts[lifts].id
}

/** What an instrument cannot tell on this part. */
function meterWarning(
  predictor: Predictor,
  { kit, belief, interpreted }: Advice,
  procedure: Procedure,
  meter: string,
): string | undefined {
  if (kit.lacking.includes(meter)) return describeLacking(findMeter(meter)!.title)
  const limit = meter === 'beeper' ? (kit.beepsBelow ?? findMeter(meter)!.threshold!.from) : undefined
  if (limit === undefined) return undefined
  const ohms = predictor.predict(belief.hypotheses[0], procedure, 'ohms', interpreted.interventions)
  if (ohms.type !== 'value' || ohms.mean <= limit) return undefined
  return describeSilentBeeper(limit, ohms.mean)
}

/** Where a part sits; where the tips go as well, where they go to a part that runs. */
function placeOf({ sheet }: Machine, { measurement: m, workMode }: Procedure): string {
  if (!('part' in m)) return ''
  const { sits, tips } = sheet.parts[m.part]
  return describePlace({ sits, tips: workMode === 'energised' ? tips : undefined })
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
  const whole = predictor.catalogue.strips.find((s) => s.id === testId)
  const strip = whole && stripAt(predictor, a, whole)
  const procedure = whole ? whole.rows[strip!.at] : findProcedure(predictor.catalogue, testId, instrument)
  if (!procedure) return undefined
  const { measurement, meter: usual, alternativeMeters } = procedure
  const meters = usual === undefined ? alternativeMeters : [usual, ...alternativeMeters.filter((m) => m !== usual)]
  const isAtHand = (id: string) => !a.kit.lacking.includes(id)
  const meter = instrument !== undefined && meters.includes(instrument) ? instrument : (meters.find(isAtHand) ?? usual)
  const suggestion = a.plan.next.find((s) =>
    whole ? s.strip?.id === whole.id : !s.strip && s.procedure.id === procedure.id,
  )
  const goal = suggestion?.strip ?? procedure
  const path = accessPaths.from(a.interpreted.workState, goal)
  const moved = whole && describeStripCaution(whole)
  const way = suggestion ?? path
  const piece = pieceOf(machine, procedure)
  return {
    id: procedure.id,
    title: describeTest(machine, procedure, timesWorked),
    strip,
    how: describeHow(machine, procedure, meter === undefined ? undefined : findMeter(meter), timesWorked),
    piece: piece && describePiece(machine, piece),
    part: 'part' in measurement ? measurement.part : -1,
    place: placeOf(machine, procedure),
    workMode: procedure.workMode,
    jumper: jumperOf(machine, procedure),
    lifts: liftedFor(machine, procedure),
    acts: handActsOf(procedure),
    powered: procedure.needs.power === 'on',
    takesOff: takesOff(procedure),
    waits: procedure.needs.arrival !== undefined,
    shape: readingShapeFor(procedure, meter),
    range: possibleRange(machine, readingShapeFor(procedure, meter), meter),
    meter,
    meters: meters.map((id) => ({ id, title: findMeter(id)!.title, atHand: isAtHand(id) })),
    meterWarning: meter === undefined ? undefined : meterWarning(predictor, a, procedure, meter),
    minutes: way.minutes,
    before: lastReading(a, procedure),
    steps: way.steps.map((step) => describeStep(machine, step)),
    cautions: [...describeCautions(machine, procedure), ...(moved === undefined ? [] : [moved])],
    destroys: way.steps.some((step) => step.type === 'isolate') ? describeLoss(procedure) : undefined,
    losing: losingBy(predictor, a, whole?.rows ?? [procedure], path.after),
    ...expectations(predictor, a.belief, procedure, meter, a.interpreted.interventions),
    why:
      suggestion && meter === suggestion.procedure.meter
        ? reasons(predictor, a.belief, a.interpreted, suggestion, MOST_REASONS, pairs)
        : [],
  }
}
