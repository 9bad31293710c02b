import type { Dimension } from '../../../foundation/quantity'
import type { PlacedInstrument } from '../../../model/kinds'
import type { Machine } from '../../../model/machine'
import type { MeasurementInterface, MeasurementOf } from '../contract'

declare module '../../../model/kinds/contract' {
  interface MeasurementFields {
    /** A signal as the machine's own display shows it, or an instrument put there; `test` where it is a special test of the sheet. */
    display: { signal: string; when: 'active' | 'settled'; by?: PlacedInstrument; test?: string }
  }
}

/** The service display shows each dimension to its own last digit. */
const DISPLAYS: Partial<Record<Dimension, string>> = {
  length: 'display',
  temperature: 'display-temperature',
  frequency: 'display-frequency',
  volume: 'display-volume',
}

const dimensionOf = (m: MeasurementOf<'display'>, { kinds }: Machine): Dimension =>
  kinds[m.part].signals![m.signal].dimension ?? 'count'

export const measurementInterface: MeasurementInterface<MeasurementOf<'display'>> = {
  shape: (m, machine) => ({ type: 'number', dimension: dimensionOf(m, machine) }),
  meter: (m, machine) => m.by ?? DISPLAYS[dimensionOf(m, machine)] ?? 'display',
  minutes: 1,
  opens: 'nothing',
}
