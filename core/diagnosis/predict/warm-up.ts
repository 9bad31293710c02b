import type { Predictor } from './predictor'

/**
 * Does, a little at a time, what coming readings would have to wait for: the runs of the healthy machine with each value
 * moved, what the sheet does not list, and every test under every single fault. What is found is only kept; no answer
 * depends on how far it has come.
 */
export function* warmUp(predictor: Predictor): Generator<void> {
  const { runs, procedures } = predictor.catalogue
  const plain = runs.filter((r) => !r.interventions.length)
  for (const { index } of plain) yield predictor.prepareRun(index)
  for (const hypothesis of predictor.unlistedHypotheses)
    for (const { index } of plain) yield void predictor.run(hypothesis, index)
  for (const procedure of procedures)
    for (const hypothesis of [...predictor.hypotheses]) {
      predictor.predict(hypothesis, procedure)
      yield void predictor.predictCoarse(hypothesis, procedure)
    }
}
