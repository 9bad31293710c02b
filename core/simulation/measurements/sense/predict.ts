import type { Watched } from '../../simulate'
import type { MeasurementOf, MeasurementPrediction } from '../contract'

/** What is on for less than this is not noticed by somebody who waits for it, s, unless there is no more to see. */
const NOTICED_FROM = 1

/** Whether somebody who watches through a phase notices the signal. */
const isNoticed = ({ seconds, on, ever }: Watched): boolean => ever && on >= Math.min(NOTICED_FROM, seconds / 2)

export const measurementPrediction: MeasurementPrediction<MeasurementOf<'sense'>> = {
  observe: (m, { point, watched }) => ({
    type: 'sense',
    sense: m.sense,
    plain: m.plain === true,
    truth: watched ? isNoticed(watched) : point.signal(m.part, m.signal) > 0.5,
  }),
}
