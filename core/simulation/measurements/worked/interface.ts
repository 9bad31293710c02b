import type { MeasurementInterface, MeasurementOf } from '../contract'
import { showsWorked } from './shows-worked'

declare module '../../../model/kinds/contract' {
  interface MeasurementFields {
    /**
     * Worked by hand many times by itself, leads taken off: how often it made and broke as it should. `provoked`: not worked, the meter
     * across it: bent to and fro where it stands, or warmed with its leads off; how often it stayed as it was. `only`: the mode of the
     * part that is read so; left out, whatever is wrong with it shows.
     */
    worked: { when: 'isolated'; provoked?: 'flexed' | 'warmed'; only?: string }
  }
}

export const measurementInterface: MeasurementInterface<MeasurementOf<'worked'>> = {
  shape: () => ({ type: 'times' }),
  meter: () => undefined,
  minutes: 2,
  // What never comes and goes stays as it is.
  isPossible: (m, { faults, parts }) =>
    m.provoked !== 'warmed' || faults.some((f) => f.intermittentShare > 0 && showsWorked(f, parts[m.part], m.only)),
  takesLeadsOff: (m) => m.provoked !== 'flexed',

  opens: 'terminals',
  partAlone: () => true,
}
