export { findMeter, METERS, SENSES, type Meter } from './meters'
export { beeps, showAmps, showHertz, showNeon, showOhms, showVolts, showWater, type Shown } from './observe'
