import {
  believe,
  besides,
  judge,
  links,
  placeEvidence,
  suspects,
  type Belief,
  type Link,
  type Placed,
  type Suspect,
  type Verdict,
} from '../diagnose'
import type { Evidence } from '../evidence'
import { comesAt, plan, type Order, type Plan } from '../plan'
import { interventionsKey, type Predictor } from '../predict'

/** Above this probability of a slip a reading is in doubt. */
export const DOUBT_ABOVE = 0.5

/** Everything the evidence says about a machine: the one answer that web and command line both show. */
export interface Advice {
  placed: Placed
  belief: Belief
  suspects: Suspect[]
  links: Link[]
  verdicts: Verdict[]
  plan: Plan
}

/**
 * From evidence to advice. Pure: the same evidence always gives the same advice.
 *
 * @param pairs pairs of faults to run; leave out for the settled answer, 0 for the quick one
 */
export function advise(
  predictor: Predictor,
  evidence: readonly Evidence[],
  order: Order = 'best',
  pairs?: number,
): Advice {
  const placed = placeEvidence(predictor.bench, evidence)
  const belief = believe(predictor, placed.case, pairs)
  // A test read twice with the same things in and out tells nothing new; after a change it may.
  const now = interventionsKey(placed.interventions)
  const times = new Map<string, number>()
  const taken = new Set<string>()
  const stopped = new Map<number, number>()
  placed.case.readings.forEach((r, i) => {
    if (interventionsKey(r.interventions) !== now) return
    if (r.value.is === 'never') {
      const { run } = r.procedure
      stopped.set(run, Math.min(stopped.get(run) ?? Infinity, comesAt(predictor, r.procedure) || Infinity))
    }
    times.set(r.procedure.id, (times.get(r.procedure.id) ?? 0) + 1)
    // A sense that has spoken says the same again; a meter may be put there twice before much hangs on it.
    const could = r.value.is !== 'could-not'
    const repeats = could && (r.procedure.meter !== undefined || belief.doubts[i].slip >= DOUBT_ABOVE)
    if (!repeats || times.get(r.procedure.id)! > 1) taken.add(r.procedure.id)
  })
  return {
    placed,
    belief,
    suspects: suspects(belief),
    links: links(predictor, belief, placed.jumpers),
    verdicts: placed.case.readings.map((r) => judge(predictor, r)),
    plan: plan(predictor, belief, placed.standing, {
      order,
      taken,
      read: new Set(times.keys()),
      stopped,
      interventions: placed.interventions,
      refine: pairs === undefined,
      // The quick answer does without: the settled one follows.
      besides: () => (pairs === 0 ? [] : besides(predictor, placed.case, belief)),
    }),
  }
}
