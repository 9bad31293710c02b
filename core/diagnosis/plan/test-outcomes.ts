import type { Intervention } from '../../model/machine'
import { predictiveGiven, readingKey, unknownFaultShares, type Belief } from '../belief'
import type { Procedure } from '../catalogue'
import type { Prediction, Predictor } from '../predict'
import { binEdges, spreadOutcomes, type TestOutcome } from './bins'

/**
 * Distinct outcomes of a test under a belief, each with its probability and the posterior it would leave. What only a
 * healthy machine shows there is an outcome as well: it would say that the cause is unknown.
 */
export function testOutcomes(
  predictor: Predictor,
  belief: Belief,
  procedure: Procedure,
  interventions: readonly Intervention[] = [],
): TestOutcome[] {
  const { calibration } = predictor
  const { negligiblePosterior, healthyOutcome } = calibration.plan
  const rows: { i: number; p: number; prediction: Prediction }[] = []
  const key = readingKey({ procedure, meter: undefined, interventions })
  const values: { mean: number; sd: number }[] = []
  belief.hypotheses.forEach((m, i) => {
    if (belief.posterior[i] < negligiblePosterior) return
    const prediction = predictor.predictCoarse(m, procedure, interventions)
    rows.push({ i, p: belief.posterior[i], prediction })
    if (prediction.type !== 'value') return
    const { mean, variance } = predictiveGiven(prediction, belief.conditionings[i], key)
    values.push({ mean, sd: Math.sqrt(variance) })
  })
  const edges = binEdges(values, calibration)
  const bins = new Map<string, TestOutcome>()
  let listed = 0
  for (const { i, p, prediction } of rows)
    spreadOutcomes(prediction, belief.conditionings[i], edges, key, calibration, ({ key: bin, ...shown }, chance) => {
      if (chance <= 0) return
      let o = bins.get(bin)
      if (!o)
        bins.set(bin, (o = { ...shown, p: 0, unknownFault: 0, after: new Float64Array(belief.hypotheses.length) }))
      o.p += p * chance
      o.after[i] += p * chance
      listed += p * chance
    })
  const all = [...bins.values()]
  for (const o of all) for (let i = 0; i < o.after.length; i++) o.after[i] /= o.p
  // What an unknown fault would show: what the machine shows there when it is well, or what the listed causes show.
  const { healthy: asWell, mixture } = unknownFaultShares(procedure, calibration.belief)
  const well = (belief.unknownFault * asWell) / (asWell + mixture)
  for (const o of all) o.unknownFault = (belief.unknownFault - well) * (o.p / listed)
  const healthy = predictor.predictCoarse(belief.hypotheses[0], procedure, interventions)
  spreadOutcomes(healthy, belief.conditionings[0], edges, key, calibration, ({ key: bin, ...shown }, chance) => {
    const other = well * chance
    const o = bins.get(bin)
    if (o) o.unknownFault += other
    else if (chance > healthyOutcome)
      all.push({ ...shown, p: 0, unknownFault: other, after: new Float64Array(belief.hypotheses.length) })
  })
  return all
}
