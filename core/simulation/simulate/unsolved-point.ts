import type { Part, PointView } from '../../model/kinds'
import { startingStates, type Machine } from '../../model/machine'

/** A machine in which nothing flows: enough for what `stamp` and `links` look at. */
export class UnsolvedPoint implements PointView {
  readonly time = 0
  readonly states: Float64Array
  readonly modeSince: Float64Array
  constructor(
    private readonly machine: Machine,
    readonly values: Float64Array,
    readonly modes: Int8Array,
  ) {
    this.states = startingStates(machine, values)
    this.modeSince = new Float64Array(modes.length)
  }
  get ambient(): number {
    return this.values[0]
  }
  volts = () => 0
  dcVolts = () => 0
  amps = () => 0
  pressure = () => 0
  flow = () => 0
  inflow = () => 0
  heatFlowInto = () => 0
  referred(part: Part, name: string): Part | undefined {
    const index = part.ref[name]
    return index === undefined ? undefined : this.machine.parts[index]
  }
  referredSignal(part: Part, name: string, signal: string): number {
    const index = part.ref[name]
    return this.machine.kinds[index].signals![signal].read(this.machine.parts[index], this)
  }
}
