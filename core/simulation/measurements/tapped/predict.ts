import { freedShare } from './freed-share'
import type { MeasurementOf, MeasurementPrediction } from '../contract'

export const measurementPrediction: MeasurementPrediction<MeasurementOf<'tapped'>> = {
  observe(m, { point, activeFaults }) {
    if (point.signal(m.part, m.signal) > 0.5) return { type: 'sense', sense: m.sense, plain: false, truth: true }
    const part = point.faulted.parts[m.part]
    const freed = Math.max(0, ...activeFaults.map(({ fault }) => freedShare(fault, part, m.frees)))
    if (freed > 0 && point.signal(m.part, m.called) > 0.5) return { type: 'tester', probability: freed }
    return { type: 'sense', sense: m.sense, plain: false, truth: false }
  },
}
