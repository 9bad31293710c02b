// Written by `npm run indexes` from the folders beside it. Not to be changed by hand.
/* eslint-disable import/no-duplicates -- once for the values, once for the declarations */
import type { MeasurementId, MeasurementOf, MeasurementType } from './contract'
import { measurementInterface as ampsInterface } from './amps/interface'
import { measurementPrediction as ampsPrediction } from './amps/predict'
import { measurementInterface as benchInterface } from './bench/interface'
import { measurementPrediction as benchPrediction } from './bench/predict'
import { measurementInterface as betweenInterface } from './between/interface'
import { measurementPrediction as betweenPrediction } from './between/predict'
import { measurementInterface as bucketInterface } from './bucket/interface'
import { measurementPrediction as bucketPrediction } from './bucket/predict'
import { measurementInterface as codeInterface } from './code/interface'
import { measurementPrediction as codePrediction } from './code/predict'
import { measurementInterface as connectionInterface } from './connection/interface'
import { measurementPrediction as connectionPrediction } from './connection/predict'
import { measurementInterface as displayInterface } from './display/interface'
import { measurementPrediction as displayPrediction } from './display/predict'
import { measurementInterface as durationInterface } from './duration/interface'
import { measurementPrediction as durationPrediction } from './duration/predict'
import { measurementInterface as flowingInterface } from './flowing/interface'
import { measurementPrediction as flowingPrediction } from './flowing/predict'
import { measurementInterface as hertzInterface } from './hertz/interface'
import { measurementPrediction as hertzPrediction } from './hertz/predict'
import { measurementInterface as insulationInterface } from './insulation/interface'
import { measurementPrediction as insulationPrediction } from './insulation/predict'
import { measurementInterface as ohmsInterface } from './ohms/interface'
import { measurementPrediction as ohmsPrediction } from './ohms/predict'
import { measurementInterface as onTimeInterface } from './on-time/interface'
import { measurementPrediction as onTimePrediction } from './on-time/predict'
import { measurementInterface as pressureInterface } from './pressure/interface'
import { measurementPrediction as pressurePrediction } from './pressure/predict'
import { measurementInterface as senseInterface } from './sense/interface'
import { measurementPrediction as sensePrediction } from './sense/predict'
import { measurementInterface as tappedInterface } from './tapped/interface'
import { measurementPrediction as tappedPrediction } from './tapped/predict'
import { measurementInterface as throttledInterface } from './throttled/interface'
import { measurementPrediction as throttledPrediction } from './throttled/predict'
import { measurementInterface as voltsInterface } from './volts/interface'
import { measurementPrediction as voltsPrediction } from './volts/predict'
import { measurementInterface as watchInterface } from './watch/interface'
import { measurementPrediction as watchPrediction } from './watch/predict'
import { measurementInterface as workedInterface } from './worked/interface'
import { measurementPrediction as workedPrediction } from './worked/predict'
// Each declares its own fields: their declarations go where this file goes.
import './amps/interface'
import './bench/interface'
import './between/interface'
import './bucket/interface'
import './code/interface'
import './connection/interface'
import './display/interface'
import './duration/interface'
import './flowing/interface'
import './hertz/interface'
import './insulation/interface'
import './ohms/interface'
import './on-time/interface'
import './pressure/interface'
import './sense/interface'
import './tapped/interface'
import './throttled/interface'
import './volts/interface'
import './watch/interface'
import './worked/interface'

/** Every type of measurement, by its id. */
export const MEASUREMENTS: { readonly [Id in MeasurementId]: MeasurementType<MeasurementOf<Id>> } = {
  amps: { ...ampsInterface, ...ampsPrediction },
  bench: { ...benchInterface, ...benchPrediction },
  between: { ...betweenInterface, ...betweenPrediction },
  bucket: { ...bucketInterface, ...bucketPrediction },
  code: { ...codeInterface, ...codePrediction },
  connection: { ...connectionInterface, ...connectionPrediction },
  display: { ...displayInterface, ...displayPrediction },
  duration: { ...durationInterface, ...durationPrediction },
  flowing: { ...flowingInterface, ...flowingPrediction },
  hertz: { ...hertzInterface, ...hertzPrediction },
  insulation: { ...insulationInterface, ...insulationPrediction },
  ohms: { ...ohmsInterface, ...ohmsPrediction },
  'on-time': { ...onTimeInterface, ...onTimePrediction },
  pressure: { ...pressureInterface, ...pressurePrediction },
  sense: { ...senseInterface, ...sensePrediction },
  tapped: { ...tappedInterface, ...tappedPrediction },
  throttled: { ...throttledInterface, ...throttledPrediction },
  volts: { ...voltsInterface, ...voltsPrediction },
  watch: { ...watchInterface, ...watchPrediction },
  worked: { ...workedInterface, ...workedPrediction },
}
