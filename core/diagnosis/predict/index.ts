export { interventionsKey } from './interventions-key'
export { Predictor } from './predictor'
export { warmUp } from './warm-up'
export { varianceOf, type Prediction, type ValuePrediction } from './types'
