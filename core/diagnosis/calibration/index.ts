import { valuesOf, type ValuesOf } from './constant'
import { CALIBRATION } from './record'

/** The constants of hypotheses, predictions, belief and plan, as the engine uses them. */
export type Calibration = ValuesOf<typeof CALIBRATION>

/** The constants as the record has them. */
export const STANDARD: Calibration = valuesOf(CALIBRATION)

/** The standard constants with some of them changed. */
export function calibrate(changes: { readonly [S in keyof Calibration]?: Partial<Calibration[S]> }): Calibration {
  const sections = Object.entries(STANDARD).map(([name, values]) => [
    name,
    { ...values, ...changes[name as keyof Calibration] },
  ])
  return Object.fromEntries(sections) as Calibration
}

export { CALIBRATION }
export type { CalibrationRecord, Constant } from './constant'
