import { waterIndication } from '../../instrument'
import type { MeasurementOf, MeasurementPrediction } from '../contract'

export const measurementPrediction: MeasurementPrediction<MeasurementOf<'flowing'>> = {
  observe: (m, { point }) => ({
    type: 'indication',
    indication: waterIndication(
      point,
      point.faulted.parts[m.part],
      m.port,
      m.of === 'pressure' ? 'flowing' : 'through',
    ),
  }),
}
