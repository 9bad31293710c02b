import type { PointView } from '../model/kinds'
import type { FaultedMachine } from '../model/machine'

/** A machine as it stands, as far as its circuit and its water go by it. */
export interface PlainState extends PointView {
  readonly faulted: FaultedMachine
  /** rad/s of the supply. */
  readonly omega: number
}
