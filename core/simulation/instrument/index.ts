export { findMeter, METERS, SENSES, type Meter } from './meters'
export {
  beeperProbability,
  currentIndication,
  frequencyIndication,
  neonProbability,
  resistanceIndication,
  voltageIndication,
  waterIndication,
  type Indication,
} from './observe'
