import { wakesShare } from './wakes-share'
import type { MeasurementInterface, MeasurementOf } from '../contract'

declare module '../../../model/kinds/contract' {
  interface MeasurementFields {
    /**
     * The water turned down at its stop while the part is called, then the call taken away: whether it still shuts. `wakes`: its mode
     * that the missing pressure may hold.
     */
    throttled: { signal: string; wakes: string; sense: Sense; when: 'isolated' }
  }
}

export const measurementInterface: MeasurementInterface<MeasurementOf<'throttled'>> = {
  shape: () => ({ type: 'yes-no' }),
  meter: () => undefined,
  minutes: 4,
  // Where nothing on the sheet comes and goes with the pressure there is nothing to be provoked.
  isPossible: (m, { faults, parts }) => faults.some((f) => wakesShare(f, parts[m.part], m.wakes) > 0),
  opens: 'nothing',
}
