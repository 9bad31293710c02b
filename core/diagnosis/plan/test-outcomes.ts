import type { Intervention } from '../../model/machine'
import { predictiveGiven, readingKey, unknownFaultShares, type Belief, type Conditioning } from '../belief'
import type { Procedure } from '../catalogue'
import type { Calibration } from '../calibration'
import type { Prediction, Predictor } from '../predict'
import { binEdges, spreadOutcomes, type Shown, type TestOutcome } from './bins'

/** One reading of a test: what each hypothesis that counts makes it show, and where its values are cut. */
interface Row {
  key: string
  edges: readonly number[]
  predictions: ReadonlyMap<number, Prediction>
}

function rowOf(
  predictor: Predictor,
  { hypotheses, conditionings }: Belief,
  counting: readonly number[],
  procedure: Procedure,
  interventions: readonly Intervention[],
): Row {
  const key = readingKey({ procedure, meter: undefined, interventions })
  const predictions = new Map<number, Prediction>()
  const values: { mean: number; sd: number }[] = []
  for (const i of counting) {
    const prediction = predictor.predictCoarse(hypotheses[i], procedure, interventions)
    predictions.set(i, prediction)
    if (prediction.type !== 'value') continue
    const { mean, variance } = predictiveGiven(prediction, conditionings[i], key)
    values.push({ mean, sd: Math.sqrt(variance) })
  }
  // The healthy machine is asked for too: it places no cut where it does not count.
  if (!predictions.has(0)) predictions.set(0, predictor.predictCoarse(hypotheses[0], procedure, interventions))
  return { key, edges: binEdges(values, predictor.calibration), predictions }
}

/** Calls `put` with each pattern that the rows may come to under one hypothesis, and its chance. */
function spreadPatterns(
  rows: readonly Row[],
  hypothesis: number,
  conditioning: Conditioning,
  calibration: Calibration,
  put: (key: string, shown: readonly Shown[], chance: number) => void,
): void {
  let patterns: { key: string; shown: Shown[]; chance: number }[] = [{ key: '', shown: [], chance: 1 }]
  for (const { key, edges, predictions } of rows) {
    const longer: typeof patterns = []
    spreadOutcomes(
      predictions.get(hypothesis)!,
      conditioning,
      edges,
      key,
      calibration,
      ({ key: bin, ...one }, chance) => {
        for (const p of patterns) {
          const both = p.chance * chance
          if (rows.length > 1 && both < calibration.plan.negligiblePattern) continue
          longer.push({ key: `${p.key}|${bin}`, shown: [...p.shown, one], chance: both })
        }
      },
    )
    patterns = longer
  }
  // What is not followed further goes the way of the rest.
  const followed = rows.length > 1 ? patterns.reduce((sum, { chance }) => sum + chance, 0) : 1
  for (const { key, shown, chance } of patterns) put(key, shown, chance / followed)
}

/** The likeliest patterns, and one for all the others together: a decision is not made dearer by what hardly ever comes. */
function withoutTail(outcomes: TestOutcome[], mostPatterns: number): TestOutcome[] {
  if (outcomes.length <= mostPatterns) return outcomes
  const sorted = outcomes.sort((a, b) => b.p - a.p)
  const [first, ...others] = sorted.slice(mostPatterns - 1)
  for (const o of others) {
    first.p += o.p
    for (let i = 0; i < o.after.length; i++) first.after[i] += o.after[i]
  }
  return [...sorted.slice(0, mostPatterns - 1), { ...first, shown: [] }]
}

/**
 * Distinct outcomes of a test under a belief, each with its probability and the posterior it would leave; of a column the patterns
 * of its rows, which are independent of each other given the hypothesis. What only a healthy machine shows there is an outcome as
 * well: it would say that the cause is unknown.
 *
 * @param readings those that the test consists of: one, or the rows of a strip
 */
export function testOutcomes(
  predictor: Predictor,
  belief: Belief,
  readings: readonly Procedure[],
  interventions: readonly Intervention[] = [],
): TestOutcome[] {
  const { calibration } = predictor
  const { negligiblePosterior, healthyOutcome } = calibration.plan
  const counting = [...belief.hypotheses.keys()].filter((i) => belief.posterior[i] >= negligiblePosterior)
  const rows = readings.map((procedure) => rowOf(predictor, belief, counting, procedure, interventions))
  const bins = new Map<string, TestOutcome>()
  let listed = 0
  for (const i of counting)
    spreadPatterns(rows, i, belief.conditionings[i], calibration, (key, shown, chance) => {
      if (chance <= 0) return
      let o = bins.get(key)
      if (!o) bins.set(key, (o = { shown, p: 0, unknownFault: 0, after: new Float64Array(belief.hypotheses.length) }))
      const p = belief.posterior[i] * chance
      o.p += p
      o.after[i] += p
      listed += p
    })
  const all = withoutTail([...bins.values()], calibration.plan.mostPatterns)
  for (const o of all) for (let i = 0; i < o.after.length; i++) o.after[i] /= o.p
  // What an unknown fault would show: what the machine shows there when it is well, or what the listed causes show.
  const { healthy: asWell, mixture } = unknownFaultShares(readings[0], calibration.belief)
  const well = (belief.unknownFault * asWell) / (asWell + mixture)
  for (const o of all) o.unknownFault = (belief.unknownFault - well) * (o.p / listed)
  spreadPatterns(rows, 0, belief.conditionings[0], calibration, (key, shown, chance) => {
    const other = well * chance
    const o = bins.get(key)
    if (o && all.includes(o)) o.unknownFault += other
    else if (chance > healthyOutcome)
      all.push({ shown, p: 0, unknownFault: other, after: new Float64Array(belief.hypotheses.length) })
  })
  return all
}
