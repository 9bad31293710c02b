import type { Sense } from '../../../model/kinds'
import type { MeasurementInterface, MeasurementOf } from '../contract'

declare module '../contract' {
  interface MachineMeasurementFields {
    /** A special test of the sheet (by id): a signal watched by a sense, whether it is ever there or all the while. */
    watch: { test: string; part: number; signal: string; sense: Sense; asks: 'ever' | 'always' }
  }
}

export const measurementInterface: MeasurementInterface<MeasurementOf<'watch'>> = {
  shape: () => ({ type: 'yes-no' }),
  meter: () => undefined,
  minutes: 0.4,
  opens: 'nothing',
}
