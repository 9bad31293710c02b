export { DRIFT, interventionsKey, Predictor } from './predictor'
export { varianceOf, type Hypothesis, type Prediction } from './types'
