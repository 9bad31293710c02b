import type { Measurement, MeasurementId, MeasurementOf } from '../../simulation/measurements'
import { amps } from './amps'
import { bench } from './bench'
import { between } from './between'
import { bucket } from './bucket'
import { code } from './code'
import { connection } from './connection'
import type { MeasurementWords } from './contract'
import { display } from './display'
import { duration } from './duration'
import { flowing } from './flowing'
import { hertz } from './hertz'
import { insulation } from './insulation'
import { ohms } from './ohms'
import { onTime } from './on-time'
import { pressure } from './pressure'
import { sense } from './sense'
import { tapped } from './tapped'
import { throttled } from './throttled'
import { volts } from './volts'
import { watch } from './watch'
import { worked } from './worked'

/** The sentences about every type of measurement: one that has none does not compile. */
const WORDS: { readonly [Id in MeasurementId]: MeasurementWords<MeasurementOf<Id>> } = {
  amps,
  bench,
  between,
  bucket,
  code,
  connection,
  display,
  duration,
  flowing,
  hertz,
  insulation,
  ohms,
  'on-time': onTime,
  pressure,
  sense,
  tapped,
  throttled,
  volts,
  watch,
  worked,
}

/** The sentences of the type of a measurement. */
export const wordsOf = (m: Measurement): MeasurementWords<Measurement> => WORDS[m.type] as MeasurementWords<Measurement>
export type { MeasurementFacts } from './contract'
