export { editsKey, Predictor, SEVERITY_NODES } from './predictor'
export type { Member, Prediction } from './types'
