import { isNoticed } from '../noticed'
import type { MeasurementOf, MeasurementPrediction } from '../contract'

export const measurementPrediction: MeasurementPrediction<MeasurementOf<'sense'>> = {
  observe: (m, { point, watched }) => ({
    type: 'sense',
    sense: m.sense,
    plain: m.plain === true,
    truth: watched ? isNoticed(watched) : point.signal(m.part, m.signal) > 0.5,
  }),
}
