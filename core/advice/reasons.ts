import {
  inferBelief,
  suspects,
  type Belief,
  type InterpretedEvidence,
  type ContextualReading,
} from '../diagnosis/belief'
import { WORKED, type TestOutcome, type Suggestion } from '../diagnosis/plan'
import { varianceOf, type Predictor } from '../diagnosis/predict'
import type { Procedure } from '../diagnosis/catalogue'
import type { ReadingValue } from '../foundation/quantity'
import { dimensionOf, sayPrediction, sayReading } from './say'

/** What one suspect would make the instrument show. */
export interface Expectation {
  title: string
  p: number
  text: string
  /** Mean and standard deviation in SI for values; `undefined` otherwise. */
  mean: number | undefined
  sd: number | undefined
}

const titleOf = (faults: { title: string }[]): string =>
  faults.length ? faults.map((f) => f.title).join(' and ') : 'nothing wrong'

/** What each of the leading suspects, and the healthy machine, would make this test show. */
export function expectations(
  predictor: Predictor,
  belief: Belief,
  procedure: Procedure,
  meter: string | undefined,
  interventions: ContextualReading['interventions'],
  most = 6,
): { healthy: Expectation; suspects: Expectation[] } {
  const row = (hypothesis: number, title: string, p: number): Expectation => {
    const prediction = predictor.predict(belief.hypotheses[hypothesis], procedure, meter, interventions)
    const value = prediction.type === 'value' ? prediction : undefined
    return {
      title,
      p,
      text: sayPrediction(prediction, dimensionOf(procedure)),
      mean: value?.mean,
      sd: value && Math.sqrt(varianceOf(value)),
    }
  }
  const best = new Map<string, { hypothesis: number; top: number; sum: number }>()
  belief.hypotheses.forEach((m, i) => {
    if (!m.activeFaults.length) return
    const key = m.activeFaults.map((x) => x.fault.index).join('+')
    const e = best.get(key)
    if (!e) best.set(key, { hypothesis: i, top: belief.posterior[i], sum: belief.posterior[i] })
    else {
      e.sum += belief.posterior[i]
      if (belief.posterior[i] > e.top) [e.top, e.hypothesis] = [belief.posterior[i], i]
    }
  })
  return {
    healthy: row(0, 'healthy', belief.posterior[0]),
    suspects: [...best.values()]
      .sort((a, b) => b.sum - a.sum)
      .slice(0, most)
      .map((e) => row(e.hypothesis, titleOf(belief.hypotheses[e.hypothesis].activeFaults.map((x) => x.fault)), e.sum)),
  }
}

/** One line of the reason for a test: if the instrument shows this, that follows. */
export interface Consequence {
  chance: number
  reading: ReadingValue
  text: string
  /** Leading suspect after that reading, and its probability, from a full run of the belief with it. */
  leads: string
  p: number
}

/** A reading that stands for an outcome: for values, what its likeliest member predicts. */
function typicalReading(
  predictor: Predictor,
  belief: Belief,
  procedure: Procedure,
  interventions: InterpretedEvidence['interventions'],
  o: TestOutcome,
): ReadingValue {
  switch (o.type) {
    case 'value': {
      let best = 0
      for (let i = 1; i < o.after.length; i++) if (o.after[i] > o.after[best]) best = i
      const p = predictor.predict(belief.hypotheses[best], procedure, undefined, interventions)
      const mean = p.type === 'value' ? p.mean : 0
      return { type: 'value', si: Math.min(Math.max(mean, o.low), o.high) }
    }
    case 'word':
      return { type: 'word', word: o.word! }
    case 'times':
      // A miss stands for the fewest that tells: a hard fault misses always, one that rests once or twice.
      return { type: 'times', clean: o.low === WORKED ? WORKED : WORKED - 2, of: WORKED }
    default:
      return { type: o.type }
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
  s: Suggestion,
  most = 3,
  pairs?: number,
): Consequence[] {
  return [...s.outcomes]
    .sort((a, b) => b.p - a.p)
    .slice(0, most)
    .map((o) => {
      const { case: c, interventions } = interpreted
      const reading = typicalReading(predictor, belief, s.procedure, interventions, o)
      const then = inferBelief(
        predictor,
        {
          ...c,
          readings: [...c.readings, { procedure: s.procedure, value: reading, meter: undefined, interventions }],
        },
        pairs,
      )
      const [first] = suspects(then)
      const other = then.unknownFault > first.p
      return {
        chance: o.p,
        reading,
        text: sayReading(reading, dimensionOf(s.procedure)),
        leads: other ? 'something else' : titleOf(first.faults),
        p: other ? then.unknownFault : first.p,
      }
    })
}
