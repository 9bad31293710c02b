import { findMeter, resistanceIndication, type Meter } from '../../instrument'
import type { OperatingPoint } from '../../simulate'
import type { MeasurementOf, MeasurementPrediction } from '../contract'
import { observeResistance } from '../observe-resistance'

const resistance = (m: MeasurementOf<'ohms'>, point: OperatingPoint, meter: Meter) => {
  const part = point.faulted.parts[m.part]
  return resistanceIndication(point, meter, part.nodes[m.a], part.nodes[m.b], m.lifted ? part : undefined)
}

export const measurementPrediction: MeasurementPrediction<MeasurementOf<'ohms'>> = {
  observe: (m, { point, meter }) => observeResistance(resistance(m, point, meter!), meter!),
  stateReading: (m, machine) =>
    machine.kinds[m.part].stampDependsOnState === 'resistance'
      ? (point) => resistance(m, point, findMeter('ohms')!).value
      : undefined,
}
