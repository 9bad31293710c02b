import type { Intervention } from '../model/machine'
import type { Belief } from '../diagnosis/belief'
import { dimensionOf, type Procedure } from '../diagnosis/catalogue'
import { varianceOf, type Predictor } from '../diagnosis/predict'
import { formatPrediction, formatSuspect } from '../words'

/** What one suspect would make the instrument show. */
export interface Expectation {
  title: string
  p: number
  text: string
  /** Mean and standard deviation in SI for values; `undefined` otherwise. */
  mean: number | undefined
  sd: number | undefined
}

/** The likeliest hypothesis of each suspect, and what they all come to, heaviest first. Healthy is left out. */
function leadingSuspects({ hypotheses, posterior }: Belief): { hypothesis: number; p: number }[] {
  const best = new Map<string, { hypothesis: number; p: number }>()
  hypotheses.forEach((m, i) => {
    if (!m.activeFaults.length) return
    const key = m.activeFaults.map((x) => x.fault.index).join('+')
    const known = best.get(key)
    if (!known) best.set(key, { hypothesis: i, p: posterior[i] })
    else {
      known.p += posterior[i]
      if (posterior[i] > posterior[known.hypothesis]) known.hypothesis = i
    }
  })
  return [...best.values()].sort((a, b) => b.p - a.p)
}

/** What each of the leading suspects, and the healthy machine, would make this test show. */
export function expectations(
  predictor: Predictor,
  belief: Belief,
  procedure: Procedure,
  meter: string | undefined,
  interventions: readonly Intervention[],
  most = 6,
): { healthy: Expectation; suspects: Expectation[] } {
  const row = (hypothesis: number, title: string, p: number): Expectation => {
    const prediction = predictor.predict(belief.hypotheses[hypothesis], procedure, meter, interventions)
    const value = prediction.type === 'value' ? prediction : undefined
    return {
      title,
      p,
      text: formatPrediction(prediction, dimensionOf(procedure)),
      mean: value?.mean,
      sd: value && Math.sqrt(varianceOf(value)),
    }
  }
  const titleOf = (hypothesis: number) => formatSuspect(belief.hypotheses[hypothesis].activeFaults.map((x) => x.fault))
  return {
    healthy: row(0, 'healthy', belief.posterior[0]),
    suspects: leadingSuspects(belief)
      .slice(0, most)
      .map(({ hypothesis, p }) => row(hypothesis, titleOf(hypothesis), p)),
  }
}
