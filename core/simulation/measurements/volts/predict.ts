import type { MeasurementOf, MeasurementPrediction } from '../contract'
import { observeVoltage } from '../observe-voltage'
import { voltsNodes } from './interface'

export const measurementPrediction: MeasurementPrediction<MeasurementOf<'volts'>> = {
  observe: (m, { point, meter }) =>
    observeVoltage(point, meter!, ...voltsNodes(m, point.faulted.machine, point.faulted.parts)),
}
