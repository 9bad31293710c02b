import { MEASUREMENTS } from './all-measurements'
import type { Measurement, MeasurementType } from './contract'

/** What is known of the type of a measurement. */
export const measurementType = (m: Measurement): MeasurementType => MEASUREMENTS[m.type] as MeasurementType

export { MEASUREMENTS }
export type * from './contract'
