import type { MeasurementInterface, MeasurementOf } from '../contract'
import { hasReturn } from '../probed-nodes'

declare module '../../../model/kinds/contract' {
  interface MeasurementFields {
    /**
     * Resistance between two terminals; `b: '@return'` stands for the return of its circuit. `lifted`: of the part alone, its
     * leads taken off.
     */
    ohms: { a: string; b: string; when: 'isolated'; lifted: boolean }
  }
}

export const measurementInterface: MeasurementInterface<MeasurementOf<'ohms'>> = {
  shape: () => ({ type: 'number', dimension: 'resistance' }),
  meter: () => 'ohms',
  isPossible: hasReturn,
  minutes: 1,
  takesLeadsOff: (m) => m.lifted,

  inColumn: true,
  opens: 'terminals',
  contactAsItStands: true,
  partAlone: (m) => m.lifted,
}
