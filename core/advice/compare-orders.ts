import { plan, type Suggestion } from '../diagnosis/plan'
import type { Predictor } from '../diagnosis/predict'
import { TEST_STRATEGIES, type TestStrategy, type WorkMode } from '../evidence'
import { describeStrip, describeTest } from '../words'
import { situationOf, type Advice } from './advise'

/** What an order of work would begin with, and what that costs. */
export interface OrderCost {
  strategy: TestStrategy
  /** The test it begins with. */
  title: string
  /**
   * Minutes of work and parts that its beginning by itself leaves unsaved, against the beginning of the best order; 0 where it
   * begins as that does or saves as much, `undefined` where the two are not weighed alike.
   */
  more: number | undefined
}

const goalId = ({ strip, procedure }: Suggestion): string => strip?.id ?? procedure.id

/**
 * The named orders of work side by side, as the evidence stands: what each would begin with. Beginnings are weighed each by itself:
 * what would follow them differs from one order to the next. An order that has nothing to begin with is left out.
 *
 * @param barred work that whoever asks may not do
 */
export function compareOrders(
  predictor: Predictor,
  { belief, interpreted, kit }: Advice,
  barred: readonly WorkMode[] = [],
): OrderCost[] {
  const { machine } = predictor.catalogue
  const { timesWorked } = predictor.calibration.plan
  const situation = { ...situationOf(predictor, interpreted, belief), barred, lacking: kit.lacking }
  const planned = (strategy: TestStrategy, refine: boolean) =>
    plan(predictor, belief, interpreted.workState, { ...situation, strategy, refine }).next
  const saved = new Map(planned('best', false).map((s) => [goalId(s), s.saving - s.minutes]))
  const begun = TEST_STRATEGIES.flatMap((strategy) => {
    const [first] = planned(strategy, true)
    return first ? [{ strategy, first }] : []
  })
  const best = begun.find((b) => b.strategy === 'best')
  const moreThanBest = (first: Suggestion): number | undefined => {
    if (!best || goalId(first) === goalId(best.first)) return 0
    const [own, its] = [saved.get(goalId(first)), saved.get(goalId(best.first))]
    return own === undefined || its === undefined ? undefined : Math.max(0, its - own)
  }
  return begun.map(({ strategy, first }) => ({
    strategy,
    title: first.strip
      ? describeStrip(machine, first.strip, timesWorked)
      : describeTest(machine, first.procedure, timesWorked),
    more: moreThanBest(first),
  }))
}
