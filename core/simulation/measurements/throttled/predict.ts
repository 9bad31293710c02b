import { wakesShare } from './wakes-share'
import type { MeasurementOf, MeasurementPrediction } from '../contract'

export const measurementPrediction: MeasurementPrediction<MeasurementOf<'throttled'>> = {
  observe(m, { point, activeFaults }) {
    const part = point.faulted.parts[m.part]
    const resting = activeFaults.filter((f) => f.missProbability !== undefined)
    const woken = Math.max(0, ...resting.map(({ fault }) => wakesShare(fault, part, m.wakes)))
    const truth = point.signal(m.part, m.signal) > 0.5
    return truth || woken === 0
      ? { type: 'sense', sense: m.sense, plain: true, truth }
      : { type: 'tester', probability: woken }
  },
}
