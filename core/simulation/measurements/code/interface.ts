import type { MeasurementInterface, MeasurementOf } from '../contract'

declare module '../contract' {
  interface MachineMeasurementFields {
    /** Which code the machine shows. */
    code: object
  }
}

/** What stands for no code. */
export const NO_CODE = 'none'

export const measurementInterface: MeasurementInterface<MeasurementOf<'code'>> = {
  shape: (_, { alarms }) => ({ type: 'word', words: [NO_CODE, ...alarms.map((a) => a.code)] }),
  meter: () => undefined,
  minutes: 0.3,
  opens: 'nothing',
}
