import type { Part } from '../model/kinds'
import type { FaultedMachine } from '../model/machine'
import { PlainElectrics, type SolvedCache } from './electrics'
import { PlainFlows } from './flows'
import type { PlainState } from './plain-state'

/** The machine as the kinds see it, every answer from a full solution of the networks. */
export class PlainPoint implements PlainState {
  time = 0
  readonly electrics: PlainElectrics
  readonly water: PlainFlows

  constructor(
    readonly faulted: FaultedMachine,
    readonly modes: Int8Array,
    readonly states: Float64Array,
    readonly modeSince: Float64Array,
    private readonly cache: SolvedCache,
  ) {
    this.electrics = new PlainElectrics(this, cache)
    this.water = new PlainFlows(this)
  }
  get values(): Float64Array {
    return this.faulted.values
  }
  get ambient(): number {
    return this.faulted.values[0]
  }
  get omega(): number {
    return 2 * Math.PI * this.faulted.machine.frequency
  }
  /** A copy that the run leaves behind. */
  snapshot(): PlainPoint {
    const copy = new PlainPoint(
      this.faulted,
      this.modes.slice(),
      this.states.slice(),
      this.modeSince.slice(),
      this.cache,
    )
    copy.time = this.time
    return copy
  }
  /** To be called after a mode has changed. */
  modeChanged(): void {
    this.electrics.modeChanged()
    this.water.modeChanged()
  }
  /** To be called after the states have moved. */
  statesChanged(): void {
    this.electrics.statesChanged()
    this.water.statesChanged()
  }

  volts = (a: number, b: number): number => this.electrics.volts(a, b)
  dcVolts = (a: number, b: number): number => this.electrics.dcVolts(a, b)
  amps = (part: Part, node?: number): number => this.electrics.amps(part, node)
  pressure = (node: number): number => this.water.pressure(node)
  flow = (part: Part): number => this.water.flow(part)
  inflow = (node: number): number => this.water.inflow(node)
  heatFlowInto = (node: number): number => this.water.warmthInto(node)
  referred(part: Part, name: string): Part | undefined {
    return part.ref[name] === undefined ? undefined : this.faulted.parts[part.ref[name]]
  }
  referredSignal(part: Part, name: string, signal: string): number {
    return this.signal(part.ref[name], signal)
  }
  signal(index: number, signal: string): number {
    return this.faulted.machine.kinds[index].signals![signal].read(this.faulted.parts[index], this)
  }
}
