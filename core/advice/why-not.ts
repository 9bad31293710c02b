import { inferBelief, interpretEvidence, type Belief } from '../diagnosis/belief'
import { dimensionOf } from '../diagnosis/catalogue'
import type { Predictor } from '../diagnosis/predict'
import type { Evidence } from '../evidence'
import { describeTest, formatReading, type WhyNot } from '../words'

/** From this chance on a part is suspected: what is lighter has no row. */
const SUSPECTED = 0.01
/** A reading clears a part where it is so many times as likely without it. */
const TELLS = 3
const MOST_NAMED = 2

const massOf = ({ hypotheses, posterior }: Belief, part: number): number =>
  hypotheses.reduce((s, h, i) => s + (h.activeFaults.some((x) => x.fault.part === part) ? posterior[i] : 0), 0)

/**
 * What cleared a part: the readings are left out one at a time, and where none is missed taken one at a time. Pairs of faults are
 * not run for it.
 *
 * @param part index of a part of the machine
 */
export function whyNot(predictor: Predictor, evidence: readonly Evidence[], part: number): WhyNot {
  const { catalogue, calibration } = predictor
  const chance = (of: readonly Evidence[]) =>
    massOf(inferBelief(predictor, interpretEvidence(catalogue, of).case, 0), part)
  const now = chance(evidence)
  if (now >= SUSPECTED) return { type: 'suspected' }
  const call = evidence.filter((e) => e.type !== 'reading')
  const called = chance(call)
  if (called < SUSPECTED) return { type: 'never' }
  const { readings } = interpretEvidence(catalogue, evidence).case
  const places = evidence.flatMap((e, i) => (e.type === 'reading' ? [i] : []))
  /** What it would be without a reading: where two say the same, neither is missed. */
  const missed = places
    .map((place, k) => ({ k, strength: chance(evidence.filter((_, i) => i !== place)) }))
    .filter(({ strength }) => strength >= SUSPECTED && strength >= TELLS * now)
  /** How far each brings it down by itself. */
  const alone = () =>
    places
      .map((place, k) => ({ k, strength: called / Math.max(1e-12, chance([...call, evidence[place]])) }))
      .filter(({ strength }) => strength >= TELLS)
  const by = (missed.length ? missed : alone())
    .sort((a, b) => b.strength - a.strength)
    .slice(0, MOST_NAMED)
    .map(({ k }) => ({
      title: describeTest(catalogue.machine, readings[k].procedure, calibration.plan.timesWorked),
      text: formatReading(readings[k].value, dimensionOf(readings[k].procedure)),
    }))
  return by.length ? { type: 'cleared', by } : { type: 'together' }
}
