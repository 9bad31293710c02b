import type { MeasurementOf, MeasurementPrediction } from '../contract'
import { observeVoltage } from '../observe-voltage'
import { probedNodes } from '../probed-nodes'

export const measurementPrediction: MeasurementPrediction<MeasurementOf<'volts'>> = {
  observe: (m, { point, meter }) =>
    observeVoltage(point, meter!, ...probedNodes(m, point.faulted.machine, point.faulted.parts)),
}
