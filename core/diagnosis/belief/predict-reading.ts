import type { Hypothesis } from '../hypotheses'
import { withAccuracy, type Prediction, type Predictor } from '../predict'
import type { ContextualReading } from './types'

/** What a hypothesis would show where and with what a reading was taken. */
export function predictReading(
  predictor: Predictor,
  hypothesis: Hypothesis,
  { procedure, meter, interventions, accuracy }: ContextualReading,
): Prediction {
  const usual = predictor.predict(hypothesis, procedure, meter, interventions)
  return accuracy === undefined ? usual : withAccuracy(usual, predictor.shared, meter ?? procedure.meter, accuracy)
}
