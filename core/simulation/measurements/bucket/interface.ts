import type { MeasurementInterface, MeasurementOf } from '../contract'

declare module '../../../model/kinds/contract' {
  interface MeasurementFields {
    /** Flow out of a water port into a bucket. */
    bucket: { port: string; when: 'cold' }
  }
}

export const measurementInterface: MeasurementInterface<MeasurementOf<'bucket'>> = {
  shape: () => ({ type: 'number', dimension: 'flow' }),
  meter: () => 'bucket',
  minutes: 3.5,
  opens: 'water',
}
