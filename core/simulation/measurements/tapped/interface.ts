import { freedShare } from './freed-share'
import type { MeasurementInterface, MeasurementOf } from '../contract'

declare module '../../../model/kinds/contract' {
  interface MeasurementFields {
    /**
     * Tapped with an insulated handle while it is called: whether it begins to do what it should. `called`: the signal of the part that
     * says it is called; `frees`: its mode that sticks.
     */
    tapped: { signal: string; called: string; frees: string; sense: Sense; when: 'active' }
  }
}

export const measurementInterface: MeasurementInterface<MeasurementOf<'tapped'>> = {
  shape: () => ({ type: 'yes-no' }),
  meter: () => undefined,
  minutes: 0.6,
  // Where nothing on the sheet sticks there is nothing to be freed.
  isPossible: (m, { faults, parts }) => faults.some((f) => freedShare(f, parts[m.part], m.frees) > 0),
  opens: 'nothing',
  touches: () => true,
}
