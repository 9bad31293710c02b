import type { OperatingPoint } from '../simulate'
import type { Observation } from './contract'

/** A value that no parameter moves but through the states. */
export const exactIndication = (point: OperatingPoint, value: number): Observation => ({
  type: 'indication',
  indication: { type: 'value', value, sensitivity: new Float64Array(point.faulted.machine.params.length) },
})
