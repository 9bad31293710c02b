import type { MeasurementOf, MeasurementPrediction } from '../contract'

export const measurementPrediction: MeasurementPrediction<MeasurementOf<'sense'>> = {
  observe: (m, { point }) => ({ type: 'sense', sense: m.sense, truth: point.signal(m.part, m.signal) > 0.5 }),
}
