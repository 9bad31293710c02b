import { isNoticed, isThroughout } from '../noticed'
import type { MeasurementOf, MeasurementPrediction } from '../contract'

export const measurementPrediction: MeasurementPrediction<MeasurementOf<'watch'>> = {
  observe(m, { point, watched }) {
    const seen = m.asks === 'always' ? isThroughout : isNoticed
    const truth = watched ? seen(watched) : point.signal(m.part, m.signal) > 0.5
    return { type: 'sense', sense: m.sense, plain: false, truth }
  },
}
