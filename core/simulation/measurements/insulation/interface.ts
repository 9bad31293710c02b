import type { MeasurementInterface, MeasurementOf } from '../contract'

declare module '../../../model/kinds/contract' {
  interface MeasurementFields {
    /** Whether the insulation between two conductors holds a megohm with a test voltage on it, the leads of the part off. */
    insulation: { a: string; b: string; when: 'isolated' }
  }
}

export const measurementInterface: MeasurementInterface<MeasurementOf<'insulation'>> = {
  // Sound insulation shows anything from tens of megohms to more than the tester can: only whether it is sound says something.
  shape: () => ({ type: 'yes-no' }),
  meter: () => 'insulation',
  minutes: 3,
  takesLeadsOff: () => true,
  inColumn: true,
  opens: 'terminals',
  partAlone: () => true,
}
