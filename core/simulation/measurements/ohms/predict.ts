import { findMeter, resistanceIndication, type Meter } from '../../instrument'
import type { OperatingPoint } from '../../simulate'
import type { MeasurementOf, MeasurementPrediction } from '../contract'
import { probedNodes } from '../probed-nodes'
import { observeResistance } from '../observe-resistance'

const resistance = (m: MeasurementOf<'ohms'>, point: OperatingPoint, meter: Meter) => {
  const { machine, parts } = point.faulted
  return resistanceIndication(point, meter, ...probedNodes(m, machine, parts), m.lifted ? parts[m.part] : undefined)
}

export const measurementPrediction: MeasurementPrediction<MeasurementOf<'ohms'>> = {
  observe: (m, { point, meter }) => observeResistance(resistance(m, point, meter!), meter!),
  stateReading: (m, machine) =>
    machine.kinds[m.part].stampDependsOnState === 'resistance'
      ? (point) => resistance(m, point, findMeter('ohms')!).value
      : undefined,
}
