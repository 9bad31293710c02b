import { currentIndication } from '../../instrument'
import type { MeasurementOf, MeasurementPrediction } from '../contract'

export const measurementPrediction: MeasurementPrediction<MeasurementOf<'amps'>> = {
  observe: (m, { point }) => ({
    type: 'indication',
    indication: currentIndication(point, point.faulted.parts[m.part], m.at),
  }),
}
