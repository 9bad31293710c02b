export { DRIFTS, editsKey, Predictor, SEVERITY_NODES } from './predictor'
export { varianceOf, type Member, type Prediction } from './types'
