import { neonProbability, voltageIndication, type Meter } from '../instrument'
import type { OperatingPoint } from '../simulate'
import type { Observation } from './contract'

/** What a voltmeter finds between two nodes, V, or a tester at the first of them: a probability that it shows something. */
export const observeVoltage = (point: OperatingPoint, meter: Meter, a: number, b: number): Observation =>
  meter.threshold
    ? { type: 'tester', probability: neonProbability(point, meter, a) }
    : { type: 'indication', indication: voltageIndication(point, meter, a, b) }
