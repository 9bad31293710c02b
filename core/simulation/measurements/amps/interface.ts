import type { MeasurementInterface, MeasurementOf } from '../contract'

declare module '../../../model/kinds/contract' {
  interface MeasurementFields {
    /** Current in the lead of the part; of one with leads of several circuits, in the one at the terminal `at`. */
    amps: { when: 'active' | 'idle'; at?: string }
  }
}

export const measurementInterface: MeasurementInterface<MeasurementOf<'amps'>> = {
  shape: () => ({ type: 'number', dimension: 'current' }),
  meter: () => 'clamp',
  minutes: 1,
  opens: 'terminals',
}
