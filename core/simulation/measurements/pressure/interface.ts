import type { MeasurementInterface, MeasurementOf } from '../contract'

declare module '../../../model/kinds/contract' {
  interface MeasurementFields {
    /** Pressure at a water port with nothing flowing beyond it. */
    pressure: { port: string; when: 'cold' }
  }
}

export const measurementInterface: MeasurementInterface<MeasurementOf<'pressure'>> = {
  shape: () => ({ type: 'number', dimension: 'pressure' }),
  meter: () => 'gauge',
  minutes: 1.5,
  opens: 'water',
}
