import type { MeasurementInterface, MeasurementOf } from '../contract'

declare module '../../../model/kinds/contract' {
  interface MeasurementFields {
    /** Worked by hand many times by itself, leads taken off: how often it made and broke as it should. */
    worked: { when: 'isolated' }
  }
}

export const measurementInterface: MeasurementInterface<MeasurementOf<'worked'>> = {
  shape: () => ({ type: 'times' }),
  meter: () => undefined,
  minutes: 2,
  takesLeadsOff: () => true,

  opens: 'terminals',
  partAlone: () => true,
}
