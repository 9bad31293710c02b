import type { Procedure } from '../diagnosis/catalogue'
import type { CompiledPredictions, Predictor } from '../diagnosis/predict'
import { advise } from './advise'

/** Tests of the first advice that are likely to be taken, for each complaint: their readings are to be judged at once. */
const LIKELY = 3

/**
 * What the first advice on any complaint of a sheet needs of its runs: every test as it is compared with the others, and those that
 * come first, or are about what the customer's run left, as they are judged. Runs the machine under every single fault.
 */
export function compilePredictions(predictor: Predictor): CompiledPredictions {
  const { procedures, machine } = predictor.catalogue
  const likely = new Set<Procedure>(procedures.filter((p) => p.needs.asFound))
  for (const { id } of machine.sheet.complaints) {
    const { plan } = advise(predictor, [{ type: 'complaint', complaint: id }], 'best', 0)
    for (const { procedure, strip } of plan.next.slice(0, LIKELY))
      for (const p of strip?.rows ?? [procedure]) likely.add(p)
  }
  for (const p of likely) for (const m of predictor.hypotheses) predictor.predict(m, p)
  return predictor.compile()
}
