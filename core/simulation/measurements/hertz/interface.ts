import type { MeasurementInterface, MeasurementOf } from '../contract'

declare module '../../../model/kinds/contract' {
  interface MeasurementFields {
    /** A counter between two terminals: the signal, where its wave reaches them. */
    hertz: { signal: string; a: string; b: string; when: 'active' | 'settled' }
  }
}

export const measurementInterface: MeasurementInterface<MeasurementOf<'hertz'>> = {
  shape: () => ({ type: 'number', dimension: 'frequency' }),
  meter: () => 'counter',
  minutes: 1,
  opens: 'terminals',
}
