import type { MeasurementInterface, MeasurementOf } from '../contract'

declare module '../../../model/kinds/contract' {
  interface MeasurementFields {
    /**
     * Worked by hand many times by itself, leads taken off: how often it made and broke as it should. `flexed`: not worked but bent to
     * and fro where it stands, the meter across it: how often it stayed as it was.
     */
    worked: { when: 'isolated'; flexed?: true }
  }
}

export const measurementInterface: MeasurementInterface<MeasurementOf<'worked'>> = {
  shape: () => ({ type: 'times' }),
  meter: () => undefined,
  minutes: 2,
  takesLeadsOff: (m) => !m.flexed,

  opens: 'terminals',
  partAlone: () => true,
}
