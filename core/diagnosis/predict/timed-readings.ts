import type { Intervention } from '../../model/machine'
import { findMeter, type Meter } from '../../simulation/instrument'
import type { Measurement, Observation } from '../../simulation/measurements'
import type { Calibration } from '../calibration'
import type { Procedure, TestCatalogue } from '../catalogue'
import type { Hypothesis } from '../hypotheses'
import { coarseLength, roughTime, withoutLength } from './coarse-length'
import { goesOn, onTimeSpread } from './on-time'
import { phaseLengthSensitivity } from './phase-length'
import type { ReadingModel } from './reading-model'
import type { RunCache } from './run-cache'
import type { StateSensitivity } from './state-sensitivity'
import type { Prediction } from './types'

type TimedObservation = Observation & { type: 'phase-length' | 'on-time' }

/** What is read by a stop-watch: the length of a phase, or for how long something is on. */
export const isTimed = ({ type }: Measurement): boolean => type === 'duration' || type === 'on-time'
export const isTimedObservation = (o: Observation): o is TimedObservation =>
  o.type === 'phase-length' || o.type === 'on-time'

/** Predictions of what is read by a stop-watch: their spread comes from whole runs. */
export class TimedReadings {
  constructor(
    private readonly catalogue: TestCatalogue,
    private readonly runs: RunCache,
    private readonly states: StateSensitivity,
    private readonly model: ReadingModel,
    private readonly healthy: () => Hypothesis,
    private readonly calibration: Calibration['predict'],
  ) {}

  /** The time with how it moves with each parameter. */
  predict(
    hypothesis: Hypothesis,
    procedure: Procedure,
    observation: TimedObservation,
    meter: Meter,
    interventions: readonly Intervention[],
  ): Prediction {
    const { catalogue, runs, states, calibration } = this
    const { run, watch } = procedure
    const record = runs.onVisit(hypothesis, run, interventions)
    if (observation.type === 'on-time') {
      const { seconds, endless } = observation
      if (endless && goesOn(catalogue, procedure, record)) return { type: 'never-ended', seconds }
      const usual = runs.onVisit(this.healthy(), run).watched[watch!]?.on ?? 0
      const { sensitivity, stray } = onTimeSpread(states, procedure, seconds, usual, calibration)
      return this.model.value(seconds, sensitivity, meter, stray)
    }
    const { phase } = observation
    const { from, to } = record.phases[phase]
    const endless = withoutLength(catalogue, run, { from, to })
    if (endless) return endless
    const phaseRun = { machine: catalogue.machine, runs, states, healthy: this.healthy(), calibration }
    return this.model.value(to - from, phaseLengthSensitivity(phaseRun, hypothesis, phase, run, interventions), meter)
  }

  /** The time with a broad share of itself as error, for comparing tests. @param observation of the same test */
  coarse(
    hypothesis: Hypothesis,
    procedure: Procedure,
    observation: Observation,
    interventions: readonly Intervention[],
  ): Prediction {
    const { catalogue, calibration } = this
    const record = this.runs.onVisit(hypothesis, procedure.run, interventions)
    if (observation.type === 'phase-length')
      return coarseLength(catalogue, procedure, record.phases[observation.phase], calibration)
    if (observation.type !== 'on-time') return { type: 'never' }
    const { seconds, endless } = observation
    if (endless && goesOn(catalogue, procedure, record)) return { type: 'never-ended', seconds }
    const { resolution } = findMeter(procedure.meter!)!
    return roughTime(seconds, calibration.coarseSpread, resolution, calibration.repeatability)
  }
}
