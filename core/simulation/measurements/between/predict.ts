import { resistanceIndication } from '../../instrument'
import type { MeasurementOf, MeasurementPrediction } from '../contract'
import { observeResistance } from '../observe-resistance'
import { observeVoltage } from '../observe-voltage'

export const measurementPrediction: MeasurementPrediction<MeasurementOf<'between'>> = {
  observe(m, { point, meter }) {
    const [a, b] = [m.a, m.b].map(({ part, terminal }) => point.faulted.parts[part].nodes[terminal])
    return meter!.dimension === 'resistance'
      ? observeResistance(resistanceIndication(point, meter!, a, b), meter!)
      : observeVoltage(point, meter!, a, b)
  },
}
