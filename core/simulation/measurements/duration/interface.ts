import type { MeasurementInterface, MeasurementOf } from '../contract'

declare module '../contract' {
  interface MachineMeasurementFields {
    /** How long a phase lasts. */
    duration: { phase: number }
  }
}

export const measurementInterface: MeasurementInterface<MeasurementOf<'duration'>> = {
  shape: () => ({ type: 'number', dimension: 'time' }),
  meter: () => 'stopwatch',
  minutes: 0.2,
  opens: 'nothing',
}
