export { DRIFTS, editsKey, Predictor } from './predictor'
export { varianceOf, type Member, type Prediction } from './types'
