import { beeperProbability, type Indication, type Meter } from '../instrument'
import type { Observation } from './contract'

/** What an ohmmeter or a beeper finds of a resistance. */
export const observeResistance = (indication: Indication, meter: Meter): Observation =>
  meter.threshold
    ? { type: 'tester', probability: beeperProbability(indication, meter) }
    : { type: 'indication', indication }
