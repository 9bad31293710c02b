import type { Sense } from '../../../model/kinds'
import type { MeasurementInterface, MeasurementOf } from '../contract'

declare module '../contract' {
  interface MachineMeasurementFields {
    /** A special test of the sheet (by id): for how long a signal is on in the stretch that is watched, by a stop-watch and a sense. */
    'on-time': { test: string; part: number; signal: string; sense: Sense }
  }
}

export const measurementInterface: MeasurementInterface<MeasurementOf<'on-time'>> = {
  shape: () => ({ type: 'number', dimension: 'time' }),
  meter: () => 'stopwatch',
  minutes: 0.4,
  opens: 'nothing',
}
