import type { ReadingValue } from '../foundation/quantity'
import { inferBelief, suspects, type Belief, type InterpretedEvidence } from '../diagnosis/belief'
import { dimensionOf, type Procedure } from '../diagnosis/catalogue'
import type { Suggestion, TestOutcome } from '../diagnosis/plan'
import type { Predictor } from '../diagnosis/predict'
import { formatReading, formatSuspect, UNKNOWN_FAULT } from '../words'
import { beliefPointsTo, pointsTo } from './work-groups'

/** One line of the reason for a test: if the instrument shows this, that follows. */
export interface Consequence {
  chance: number
  /** What it shows; of a column the rows of it, in their order. */
  readings: ReadingValue[]
  text: string
  /** Leading suspect after that reading, and its probability, from a full run of the belief with it. */
  leads: string
  p: number
  /** Parts (or what else) that it would point to, the likeliest first. */
  toward: string[]
}

/** A reading that stands for an outcome: for values, what its likeliest hypothesis predicts. */
function typicalReading(
  predictor: Predictor,
  belief: Belief,
  procedure: Procedure,
  { interventions }: InterpretedEvidence,
  o: TestOutcome,
  row: number,
): ReadingValue {
  const { type, low, high, word } = o.shown[row]
  /** What the likeliest that would show it predicts. */
  const predicted = () => {
    let best = 0
    for (let i = 1; i < o.after.length; i++) if (o.after[i] > o.after[best]) best = i
    return predictor.predict(belief.hypotheses[best], procedure, undefined, interventions)
  }
  switch (type) {
    case 'value': {
      const p = predicted()
      const mean = p.type === 'value' ? p.mean : 0
      return { type: 'value', si: Math.min(Math.max(mean, low), high) }
    }
    case 'word':
      return { type: 'word', word: word! }
    case 'times': {
      const { timesWorked: of } = predictor.calibration.plan
      const p = predicted()
      // A hard fault misses always, one that rests once or twice.
      const clean = p.type === 'times' ? Math.round(of * p.clean) : of
      return { type: 'times', clean: Math.min(Math.max(clean, low), high), of }
    }
    default:
      return { type }
  }
}

/** Who leads after an outcome, by the plan's own table. */
function leadAfter(
  { catalogue: { machine } }: Predictor,
  { hypotheses }: Belief,
  o: TestOutcome,
): Pick<Consequence, 'leads' | 'p' | 'toward'> {
  const shares = new Map<string, number>()
  const all = o.p + o.unknownFault
  const left = hypotheses.map(({ activeFaults }, i) => ({
    faults: activeFaults.map(({ fault, severity }) => ({ ...fault, severity })),
    p: (o.p * o.after[i]) / all,
  }))
  let [leads, most] = ['', 0]
  for (const { faults, p } of left) {
    const title = formatSuspect(faults)
    const share = (shares.get(title) ?? 0) + p
    shares.set(title, share)
    if (share > most) [leads, most] = [title, share]
  }
  const unknown = o.unknownFault / all
  const toward = pointsTo(machine, left, unknown)
  return unknown > most ? { leads: UNKNOWN_FAULT, p: unknown, toward } : { leads, p: most, toward }
}

/** What the patterns of a column would leave: taken from the plan's table, which has been made for it already. */
const reasonsOfColumn = (
  predictor: Predictor,
  belief: Belief,
  interpreted: InterpretedEvidence,
  rows: readonly Procedure[],
  outcomes: readonly TestOutcome[],
): Consequence[] =>
  outcomes.map((o) => {
    const readings = rows.map((p, row) => typicalReading(predictor, belief, p, interpreted, o, row))
    const text = readings.map((value, row) => formatReading(value, dimensionOf(rows[row]))).join(' | ')
    return { chance: o.p, readings, text, ...leadAfter(predictor, belief, o) }
  })

/**
 * Why a test is the next one: its main outcomes and what each would leave. Every line on a single reading is true by construction,
 * because it is taken from the belief re-run with the quoted reading.
 */
export function reasons(
  predictor: Predictor,
  belief: Belief,
  interpreted: InterpretedEvidence,
  { procedure, strip, outcomes }: Suggestion,
  most = 3,
  pairs?: number,
): Consequence[] {
  const { case: c, interventions } = interpreted
  const main = outcomes
    .filter(({ shown }) => shown.length)
    .sort((a, b) => b.p - a.p)
    .slice(0, most)
  if (strip) return reasonsOfColumn(predictor, belief, interpreted, strip.rows, main)
  return main.map((o) => {
    const value = typicalReading(predictor, belief, procedure, interpreted, o, 0)
    const readings = [...c.readings, { procedure, value, meter: undefined, interventions }]
    const then = inferBelief(predictor, { ...c, readings }, pairs)
    const [first] = suspects(then)
    const unknown = then.unknownFault > first.p
    return {
      chance: o.p,
      readings: [value],
      text: formatReading(value, dimensionOf(procedure)),
      leads: unknown ? UNKNOWN_FAULT : formatSuspect(first.faults),
      p: unknown ? then.unknownFault : first.p,
      toward: beliefPointsTo(predictor.catalogue.machine, then),
    }
  })
}
