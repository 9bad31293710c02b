import type { MeasurementOf, MeasurementPrediction } from '../contract'
import { NO_CODE } from './interface'

export const measurementPrediction: MeasurementPrediction<MeasurementOf<'code'>> = {
  anywhere: true,
  observe: (_, { displayedCode }) => ({ type: 'word', word: displayedCode ?? NO_CODE }),
}
