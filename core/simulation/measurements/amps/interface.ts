import type { MeasurementInterface, MeasurementOf } from '../contract'

declare module '../../../model/kinds/contract' {
  interface MeasurementFields {
    /** Current in the lead of the part. */
    amps: { when: 'active' | 'idle' }
  }
}

export const measurementInterface: MeasurementInterface<MeasurementOf<'amps'>> = {
  shape: () => ({ type: 'number', dimension: 'current' }),
  meter: () => 'clamp',
  minutes: 1,
  opens: 'terminals',
}
