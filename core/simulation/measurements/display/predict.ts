import type { MeasurementOf, MeasurementPrediction } from '../contract'
import { exactIndication } from '../exact-indication'

export const measurementPrediction: MeasurementPrediction<MeasurementOf<'display'>> = {
  observe: (m, { point }) => exactIndication(point, point.signal(m.part, m.signal)),
  stateReading: (m) => (point) => point.signal(m.part, m.signal),
}
