import type { Intervention } from '../../model/machine'
import type { TestCatalogue } from '../catalogue'
import type { Hypothesis } from '../hypotheses'
import { packPredictions, type CompiledPredictions } from './compiled'
import type { CustomersView } from './customers-view'
import { interventionsKey } from './interventions-key'
import type { Course, Prediction } from './types'

/** Predictions of one hypothesis, by test, meter and what hands have done. */
interface Predictions {
  /** At the hypothesis's own severity, without the width of its node. */
  atNode: Map<string, Prediction>
  whole: Map<string, Prediction>
  /** Quick ones, of tests whose readings move with the states. */
  coarse: Map<string, Prediction>
  /** By run and what hands have done. */
  courses: Map<string, Course>
}

/** What has been predicted so far, by hypothesis. */
export class PredictionStore {
  private readonly predictions = new Map<number, Predictions>()

  of({ index }: Hypothesis): Predictions {
    let own = this.predictions.get(index)
    if (own) return own
    own = { atNode: new Map(), whole: new Map(), coarse: new Map(), courses: new Map() }
    this.predictions.set(index, own)
    return own
  }
  /** The course of a run, found when it is first asked for. */
  course(hypothesis: Hypothesis, run: number, interventions: readonly Intervention[], find: () => Course): Course {
    const { courses } = this.of(hypothesis)
    const key = `${run}|${interventionsKey(interventions)}`
    let course = courses.get(key)
    if (!course) courses.set(key, (course = find()))
    return course
  }
  forget({ index }: Hypothesis): void {
    this.predictions.delete(index)
  }

  /**
   * What is here of these hypotheses with nothing changed by hand, to be kept with the sheet.
   *
   * @param shows whether a complaint of the sheet, by place, comes true for a hypothesis
   */
  compile(
    { procedures, machine, runs }: TestCatalogue,
    hypotheses: readonly Hypothesis[],
    customer: CustomersView,
    shows: (hypothesis: Hypothesis, complaint: number) => boolean,
  ): CompiledPredictions {
    return packPredictions(
      procedures.map((p) => p.id),
      hypotheses.map((m) => {
        const { whole, coarse, courses } = this.of(m)
        const isNode = m.neighbours.length > 0 && !m.shifts.length
        const acts = m.activeFaults.length > 0 && m.activeFaults.every((f) => f.missProbability === undefined)
        return [
          m,
          {
            signature: isNode ? customer.outcomeSignature(m) : undefined,
            branches: acts && !m.shifts.length ? customer.thresholdBranches(m) : undefined,
            complaints: machine.sheet.complaints.map((_, k) => shows(m, k)),
            coarse: procedures.map((p) => coarse.get(`${p.key}|`)),
            whole: procedures.map((p) => whole.get(`${p.key}|${p.meter ?? ''}|`)),
            courses: runs.map((r) => courses.get(`${r.index}|`)),
          },
        ] as const
      }),
    )
  }
}
