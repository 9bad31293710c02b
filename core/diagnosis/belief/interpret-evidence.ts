import type { Evidence } from '../../evidence'
import type { CircumstanceId } from '../../model/kinds'
import type { Intervention } from '../../model/machine'
import { interventionsKey } from '../predict'
import { findProcedure, type TestCatalogue, type WorkState } from '../catalogue'
import type { Case, ContextualReading } from './types'
import { VisitState } from './visit-state'

/** What the log of actions leads to: the case for the belief, and how machine and technician stand now. */
export interface InterpretedEvidence {
  case: Case
  workState: WorkState
  /** What hands have left in the machine, as the next reading meets it. */
  interventions: Intervention[]
  /** Parts with a jumper across them now. */
  jumpers: number[]
  /** Parts whose plug is pulled or whose tap is shut by hand now. */
  parted: number[]
}

/** Gives each reading the context of the actions before it. Actions of a retracted reading stay. */
export function interpretEvidence(catalogue: TestCatalogue, evidence: readonly Evidence[]): InterpretedEvidence {
  const { machine } = catalogue
  const complaints: { complaint: number; interventions: Intervention[] }[] = []
  const readings: ContextualReading[] = []
  const circumstances = new Set<CircumstanceId>()
  const visit = new VisitState(machine)
  for (const e of evidence) {
    if (e.type === 'complaint') {
      const complaint = machine.complaints.findIndex((c) => c.id === e.complaint)
      const interventions = visit.repairsDone()
      const again = (c: (typeof complaints)[number]) =>
        c.complaint === complaint && interventionsKey(c.interventions) === interventionsKey(interventions)
      if (complaint >= 0 && !complaints.some(again)) complaints.push({ complaint, interventions })
    } else if (e.type === 'circumstance') {
      circumstances.add(e.circumstance as CircumstanceId)
    } else if (e.type === 'reading') {
      const procedure = findProcedure(catalogue, e.test, e.instrument)
      if (!procedure) continue
      // What the customer's run left behind knows nothing of what hands did later.
      const interventions = procedure.needs.asFound ? [] : visit.interventions()
      readings.push({ procedure, value: e.value, meter: e.instrument, accuracy: e.accuracy, interventions })
      visit.read(procedure)
    } else visit.act(e.action)
  }
  return {
    case: { complaints, readings, circumstances: [...circumstances].sort(), repairs: visit.repairs },
    workState: visit.work,
    interventions: visit.interventions(),
    jumpers: [...visit.jumpers],
    parted: [...visit.parted],
  }
}
