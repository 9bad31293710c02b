import type { Intervention } from '../../model/machine'
import { areDistinguishable, type Belief } from '../belief'
import type { Procedure, WorkState } from '../catalogue'
import type { Hypothesis } from '../hypotheses'
import type { Predictor } from '../predict'

/** What a direct look is sought in. */
export interface LookSituation {
  workState: WorkState
  interventions: readonly Intervention[]
  /** Ids of tests read in the present state. */
  read: ReadonlySet<string>
  /** Tests that may still be taken. */
  left: readonly Procedure[]
}

/** The likeliest hypothesis that a repair cures; -1 where none is. */
function leadingUnder({ hypotheses, posterior }: Belief, repair: number): number {
  return hypotheses.reduce(
    (top, m, i) =>
      m.activeFaults.some((x) => x.fault.repair === repair) && (top < 0 || posterior[i] > posterior[top]) ? i : top,
    -1,
  )
}

/** Whether a test is put to a part and tells the part's fault from a healthy one. */
function looksAt(
  predictor: Predictor,
  hypothesis: Hypothesis,
  part: number,
  procedure: Procedure,
  interventions: readonly Intervention[],
): boolean {
  const { measurement } = procedure
  if (!('part' in measurement) || measurement.part !== part) return false
  const [own, healthy] = [hypothesis, predictor.healthy].map((m) =>
    predictor.predictCoarse(m, procedure, procedure.needs.asFound ? [] : interventions),
  )
  return areDistinguishable(own, healthy, predictor.calibration.belief)
}

/**
 * The look that is still owed before a cause is said to stand: its part has not been looked at, measured or worked itself, and
 * that is cheap, or the part is dear. Everything else may point at it; a glance at the thing itself convicts or clears it.
 *
 * @param repair the likeliest
 * @returns `undefined` where nothing is owed
 */
export function owedLook(
  predictor: Predictor,
  belief: Belief,
  repair: number,
  { workState, interventions, read, left }: LookSituation,
): Procedure | undefined {
  const lead = leadingUnder(belief, repair)
  if (lead < 0) return undefined
  const { procedures, accessPaths, machine } = predictor.catalogue
  const { cheapLook, dearPart, dearLook } = predictor.calibration.plan
  const hypothesis = belief.hypotheses[lead]
  // What comes and goes looks well while it rests.
  const own = hypothesis.activeFaults.find((x) => x.fault.repair === repair && x.missProbability === undefined)
  if (!own) return undefined
  const looks = (p: Procedure) => looksAt(predictor, hypothesis, own.fault.part, p, interventions)
  if (procedures.some((p) => read.has(p.id) && looks(p))) return undefined
  const most = machine.repairs[repair].price >= dearPart ? dearLook : cheapLook
  return left
    .map((procedure) => ({ procedure, minutes: accessPaths.from(workState, procedure).minutes }))
    .filter(({ procedure, minutes }) => minutes <= most && looks(procedure))
    .sort((a, b) => a.minutes - b.minutes || a.procedure.index - b.procedure.index)
    .at(0)?.procedure
}
