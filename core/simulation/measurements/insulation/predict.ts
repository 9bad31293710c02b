import { beeperProbability, resistanceIndication } from '../../instrument'
import type { MeasurementOf, MeasurementPrediction } from '../contract'

export const measurementPrediction: MeasurementPrediction<MeasurementOf<'insulation'>> = {
  observe(m, { point, meter }) {
    const part = point.faulted.parts[m.part]
    const indication = resistanceIndication(point, meter!, part.nodes[m.a], part.nodes[m.b], part)
    return { type: 'tester', probability: 1 - beeperProbability(indication, meter!) }
  },
}
