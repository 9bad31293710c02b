import type { MeasurementOf, MeasurementPrediction } from '../contract'

export const measurementPrediction: MeasurementPrediction<MeasurementOf<'duration'>> = {
  anywhere: true,
  observe: (m) => ({ type: 'phase-length', phase: m.phase }),
}
