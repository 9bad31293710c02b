import { isNoticed } from '../noticed'
import type { MeasurementOf, MeasurementPrediction } from '../contract'

export const measurementPrediction: MeasurementPrediction<MeasurementOf<'on-time'>> = {
  observe: (_, { watched }) =>
    watched && isNoticed(watched) ? { type: 'on-time', seconds: watched.on, endless: watched.last } : { type: 'never' },
}
