import {
  inferBelief,
  unlistedCandidates,
  judgeReading,
  linkStatuses,
  interpretEvidence,
  suspects,
  type Belief,
  type LinkStatus,
  type InterpretedEvidence,
  type Suspect,
  type Verdict,
} from '../diagnosis/belief'
import { WHOLE_KIT, type Evidence, type Kit, type TestStrategy, type WorkMode } from '../evidence'
import { plan, stoppedBefore, type Plan, type PlanOptions } from '../diagnosis/plan'
import { interventionsKey, type Predictor } from '../diagnosis/predict'

/** Everything the evidence says about a machine: the one answer that web and command line both show. */
export interface Advice {
  interpreted: InterpretedEvidence
  belief: Belief
  suspects: Suspect[]
  links: LinkStatus[]
  verdicts: Verdict[]
  plan: Plan
  /** What whoever asked has with them. */
  kit: Kit
}

/** Parts that readings have looked at. */
const partsRead = ({ case: c }: InterpretedEvidence): Set<number> =>
  new Set(
    c.readings.flatMap(({ procedure: { measurement }, value }) =>
      value.type !== 'could-not' && 'part' in measurement ? [measurement.part] : [],
    ),
  )

/** What of the tests is done with as things stand, for the plan. */
export function situationOf(
  predictor: Predictor,
  interpreted: InterpretedEvidence,
  belief: Belief,
): Required<Pick<PlanOptions, 'taken' | 'read' | 'stoppedRuns' | 'interventions'>> {
  // A test read twice with the same things in and out tells nothing new; after a change it may.
  const now = interventionsKey(interpreted.interventions)
  const times = new Map<string, number>()
  const taken = new Set<string>()
  const stopped = new Map<number, number>()
  interpreted.case.readings.forEach((r, i) => {
    if (interventionsKey(r.interventions) !== now) return
    const { type } = r.value
    if (type === 'never' || type === 'never-ended') {
      const { run } = r.procedure
      const at = stoppedBefore(predictor, r.procedure, type)
      stopped.set(run, Math.min(stopped.get(run) ?? Infinity, at || Infinity))
    }
    times.set(r.procedure.id, (times.get(r.procedure.id) ?? 0) + 1)
    // A sense that has spoken says the same again; a meter may be put there twice before much hangs on it.
    const could = r.value.type !== 'could-not'
    const repeats =
      could &&
      (r.procedure.meter !== undefined || belief.doubts[i].grossError >= predictor.calibration.belief.doubtAbove)
    if (!repeats || times.get(r.procedure.id)! > 1) taken.add(r.procedure.id)
  })
  return { taken, read: new Set(times.keys()), stoppedRuns: stopped, interventions: interpreted.interventions }
}

/**
 * From evidence to advice. Pure: the same evidence always gives the same advice.
 *
 * @param pairs pairs of faults to run; leave out for the settled answer, 0 for the quick one
 * @param barred work that whoever asks may not do: no test of it is offered
 * @param kit what they have with them: no test is offered that it cannot take
 */
export function advise(
  predictor: Predictor,
  evidence: readonly Evidence[],
  order: TestStrategy = 'best',
  pairs?: number,
  barred: readonly WorkMode[] = [],
  kit: Kit = WHOLE_KIT,
): Advice {
  const interpreted = interpretEvidence(predictor.catalogue, evidence)
  const belief = inferBelief(predictor, interpreted.case, pairs)
  return {
    kit,
    interpreted,
    belief,
    suspects: suspects(belief),
    links: linkStatuses(predictor, belief, interpreted.jumpers, partsRead(interpreted)),
    verdicts: interpreted.case.readings.map((r) => judgeReading(predictor, r, interpreted.case.readings)),
    plan: plan(predictor, belief, interpreted.workState, {
      strategy: order,
      barred,
      lacking: kit.lacking,
      ...situationOf(predictor, interpreted, belief),
      refine: pairs === undefined,
      // The quick answer does without: the settled one follows.
      unlistedCandidates: () => (pairs === 0 ? [] : unlistedCandidates(predictor, interpreted.case, belief)),
    }),
  }
}
