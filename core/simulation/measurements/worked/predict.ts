import type { MeasurementOf, MeasurementPrediction } from '../contract'
import { showsWorked } from './shows-worked'

export const measurementPrediction: MeasurementPrediction<MeasurementOf<'worked'>> = {
  observe(m, { activeFaults, point }) {
    const part = point.faulted.parts[m.part]
    const own = activeFaults.filter(({ fault }) => showsWorked(fault, part, m.only))
    const missProbabilities = own.flatMap((f) => f.missProbability ?? [])
    return { type: 'operations', works: own.length === missProbabilities.length, missProbabilities }
  },
}
