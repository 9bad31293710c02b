import type { ReadingValue } from '../foundation/quantity'
import { inferBelief, suspects, type Belief, type InterpretedEvidence } from '../diagnosis/belief'
import { dimensionOf, type Procedure } from '../diagnosis/catalogue'
import type { Suggestion, TestOutcome } from '../diagnosis/plan'
import type { Predictor } from '../diagnosis/predict'
import { formatReading, formatSuspect, UNKNOWN_FAULT } from '../words'

/** One line of the reason for a test: if the instrument shows this, that follows. */
export interface Consequence {
  chance: number
  /** What it shows; of a column the rows of it, in their order. */
  readings: ReadingValue[]
  text: string
  /** Leading suspect after that reading, and its probability, from a full run of the belief with it. */
  leads: string
  p: number
}

/** Misses that stand for a switch that fails: the fewest that tell. A hard fault misses always, one that rests once or twice. */
const TELLING_MISSES = 2

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
  switch (type) {
    case 'value': {
      let best = 0
      for (let i = 1; i < o.after.length; i++) if (o.after[i] > o.after[best]) best = i
      const p = predictor.predict(belief.hypotheses[best], procedure, undefined, interventions)
      const mean = p.type === 'value' ? p.mean : 0
      return { type: 'value', si: Math.min(Math.max(mean, low), high) }
    }
    case 'word':
      return { type: 'word', word: word! }
    case 'times': {
      const { timesWorked } = predictor.calibration.plan
      return {
        type: 'times',
        clean: low === timesWorked ? timesWorked : timesWorked - TELLING_MISSES,
        of: timesWorked,
      }
    }
    default:
      return { type }
  }
}

/**
 * Why a test is the next one: its main outcomes and what each would leave. Every line is true by construction,
 * because it is taken from the belief re-run with the quoted reading.
 */
export function reasons(
  predictor: Predictor,
  belief: Belief,
  interpreted: InterpretedEvidence,
  suggestion: Suggestion,
  most = 3,
  pairs?: number,
): Consequence[] {
  const { case: c, interventions } = interpreted
  const procedures = suggestion.strip?.rows ?? [suggestion.procedure]
  return [...suggestion.outcomes]
    .sort((a, b) => b.p - a.p)
    .slice(0, most)
    .map((o) => {
      const values = procedures.map((p, row) => typicalReading(predictor, belief, p, interpreted, o, row))
      const read = procedures.map((procedure, row) => ({
        procedure,
        value: values[row],
        meter: undefined,
        interventions,
      }))
      const then = inferBelief(predictor, { ...c, readings: [...c.readings, ...read] }, pairs)
      const [first] = suspects(then)
      const unknown = then.unknownFault > first.p
      return {
        chance: o.p,
        readings: values,
        text: read.map(({ procedure, value }) => formatReading(value, dimensionOf(procedure))).join(' | '),
        leads: unknown ? UNKNOWN_FAULT : formatSuspect(first.faults),
        p: unknown ? then.unknownFault : first.p,
      }
    })
}
