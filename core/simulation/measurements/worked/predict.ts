import type { MeasurementOf, MeasurementPrediction } from '../contract'

export const measurementPrediction: MeasurementPrediction<MeasurementOf<'worked'>> = {
  observe(m, { activeFaults }) {
    const own = activeFaults.filter((f) => f.fault.part === m.part)
    const missProbabilities = own.flatMap((f) => f.missProbability ?? [])
    return { type: 'operations', works: own.length === missProbabilities.length, missProbabilities }
  },
}
