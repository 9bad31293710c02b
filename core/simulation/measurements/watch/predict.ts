import type { MeasurementOf, MeasurementPrediction } from '../contract'

export const measurementPrediction: MeasurementPrediction<MeasurementOf<'watch'>> = {
  observe: (m, { point }) => ({
    type: 'sense',
    sense: m.sense,
    plain: false,
    truth: point.signal(m.part, m.signal) > 0.5,
  }),
}
