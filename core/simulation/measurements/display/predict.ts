import type { MeasurementOf, MeasurementPrediction } from '../contract'
import { exactIndication } from '../exact-indication'

export const measurementPrediction: MeasurementPrediction<MeasurementOf<'display'>> = {
  observe(m, { point }) {
    const { where } = point.faulted.machine.kinds[m.part].signals![m.signal]
    if (where !== undefined && point.signal(m.part, where) < 0.5) return { type: 'never' }
    return exactIndication(point, point.signal(m.part, m.signal))
  },
  stateReading: (m) => (point) => point.signal(m.part, m.signal),
}
