import type { MeasurementInterface, MeasurementOf } from '../contract'

declare module '../contract' {
  interface MachineMeasurementFields {
    /** Whether an end of a part is joined where it belongs, by its colour, its mark or its number; a hose is followed to its tap. */
    connection: { part: number; end: string; medium: 'nodes' | 'ports' }
  }
}

export const measurementInterface: MeasurementInterface<MeasurementOf<'connection'>> = {
  shape: () => ({ type: 'yes-no' }),
  meter: () => undefined,
  minutes: 0.6,
  opens: 'nothing',
  partAlone: () => true,
}
