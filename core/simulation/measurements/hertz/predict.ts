import { frequencyIndication } from '../../instrument'
import type { OperatingPoint } from '../../simulate'
import type { MeasurementOf, MeasurementPrediction } from '../contract'
import { exactIndication } from '../exact-indication'

const frequency = (m: MeasurementOf<'hertz'>, point: OperatingPoint): number => {
  const { nodes } = point.faulted.parts[m.part]
  return frequencyIndication(point, m.part, m.signal, nodes[m.a], nodes[m.b])
}

export const measurementPrediction: MeasurementPrediction<MeasurementOf<'hertz'>> = {
  observe: (m, { point }) => exactIndication(point, frequency(m, point)),
  stateReading: (m) => (point) => frequency(m, point),
}
