import type { Calibration } from '../calibration'
import type { Prediction } from '../predict'
import type { Conditioning } from './conditioning'

type SensePrediction = Prediction & { type: 'sense' }
type DullSenses = Pick<Calibration['belief'], 'dullShare' | 'dullErrors'>

/**
 * Chance of a yes from a keen and from a dull sense. The answers of one sense in a visit are not independent witnesses:
 * whoever hears badly hears everything badly. Its usual error rates are the mean of the two.
 */
function yesFrom(p: SensePrediction, { dullShare, dullErrors }: DullSenses): { keen: number; dull: number } {
  const wrong = p.truth ? 1 - p.yes : p.yes
  const at = (errs: number) => (p.truth ? 1 - Math.min(0.5, wrong * errs) : Math.min(0.5, wrong * errs))
  return { keen: at((1 - dullShare * dullErrors) / (1 - dullShare)), dull: at(dullErrors) }
}

/** Probability of a yes, 0 … 1, given what the same sense has answered so far. */
export function chanceOfYes(p: SensePrediction, { dull }: Pick<Conditioning, 'dull'>, c: DullSenses): number {
  if (p.sense === undefined) return p.yes
  const share = dull[p.sense] ?? c.dullShare
  const yes = yesFrom(p, c)
  return (1 - share) * yes.keen + share * yes.dull
}

/** The conditioning with one more answer of a sense. */
export function withAnswer(given: Conditioning, p: SensePrediction, yes: boolean, c: DullSenses): Conditioning {
  if (p.sense === undefined) return given
  const share = given.dull[p.sense] ?? c.dullShare
  const from = yesFrom(p, c)
  const [keen, dull] = [from.keen, from.dull].map((q) => (yes ? q : 1 - q))
  const all = (1 - share) * keen + share * dull
  return { ...given, dull: { ...given.dull, [p.sense]: (share * dull) / all } }
}
