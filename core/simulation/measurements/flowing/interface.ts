import type { MeasurementInterface, MeasurementOf } from '../contract'

declare module '../../../model/kinds/contract' {
  interface MeasurementFields {
    /** What stands at a water port, or goes through it, while it runs: a gauge on the next tap, the meter of the house. */
    flowing: { port: string; of: 'pressure' | 'flow'; when: 'active' }
  }
}

export const measurementInterface: MeasurementInterface<MeasurementOf<'flowing'>> = {
  shape: (m) => ({ type: 'number', dimension: m.of }),
  meter: (m) => (m.of === 'pressure' ? 'gauge' : 'water-meter'),
  minutes: 1.5,
  opens: 'nothing',
}
