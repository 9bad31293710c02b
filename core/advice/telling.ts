import { informationOn, testOutcomes } from '../diagnosis/plan'
import type { Predictor } from '../diagnosis/predict'
import { situationOf, type Advice } from './advise'

/** From this on a look is worth a question that costs nothing, nat: about one answer in two hundred that settles it. */
const WORTH_ASKING = 0.005

/**
 * What looks tell of the fault, where they cost nobody a minute: the expected fall of the entropy over the faults, nat, by the id of the
 * test, those that tell most first. What tells less than a word is worth is left out. A look may tell much and save nothing, because what
 * one does is the same: on the phone it spares the visit.
 *
 * @param tests ids of tests of the machine
 */
export function telling(predictor: Predictor, advice: Advice, tests: readonly string[]): Map<string, number> {
  const { machine, procedures } = predictor.catalogue
  const { belief, interpreted } = advice
  const { taken, interventions } = situationOf(predictor, interpreted, belief)
  const faults = belief.hypotheses.map((h) => [...new Set(h.activeFaults.map(({ fault }) => fault.index))])
  const told = procedures
    .filter((p) => tests.includes(p.id) && !taken.has(p.id) && (!p.needs.asFound || interpreted.workState.asFound))
    .map((p) => {
      const outcomes = testOutcomes(predictor, belief, [p], interventions)
      return [p.id, informationOn(outcomes, faults, machine.faults.length)] as const
    })
    .filter(([, nats]) => nats >= WORTH_ASKING)
  return new Map(told.sort((a, b) => b[1] - a[1]))
}
