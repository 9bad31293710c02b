export { findMeter, METERS, SENSES, type Meter } from './meters'
export { plantAtRest, showAmps, showOhms, showVolts, showWater, type Shown } from './observe'
