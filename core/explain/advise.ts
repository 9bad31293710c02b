import {
  believe,
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
import { plan, type Order, type Plan } from '../plan'
import type { Predictor } from '../predict'

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
  // Tests read since the last action that changed the machine; before it they may show something new.
  const lastChange = evidence.findLastIndex((e) => e.is === 'action' && e.action.verb !== 'start')
  const taken = new Set(
    evidence.flatMap((e, i) => (e.is === 'reading' && (i > lastChange || !placed.jumpers.length) ? [e.test] : [])),
  )
  return {
    placed,
    belief,
    suspects: suspects(belief),
    links: links(predictor, belief, placed.jumpers),
    verdicts: placed.case.readings.map((r) => judge(predictor, r)),
    plan: plan(predictor, belief, placed.standing, order, taken),
  }
}
