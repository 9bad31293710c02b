export { DRIFTS, interventionsKey, Predictor } from './predictor'
export { varianceOf, type Member, type Prediction } from './types'
