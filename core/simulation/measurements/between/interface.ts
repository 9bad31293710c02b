import type { MeasurementInterface, MeasurementOf } from '../contract'

declare module '../contract' {
  interface MachineMeasurementFields {
    /** A free probe: volts or ohms between two terminals, the network as it stands. */
    between: { quantity: 'volts' | 'ohms'; a: Terminal; b: Terminal }
  }
}

export const measurementInterface: MeasurementInterface<MeasurementOf<'between'>> = {
  shape: (m) => ({ type: 'number', dimension: m.quantity === 'ohms' ? 'resistance' : 'voltage' }),
  meter: (m) => m.quantity,
  minutes: 1.5,
  opens: 'terminals',
}
