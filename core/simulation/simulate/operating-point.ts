import type { Component, Solution } from '../../physics/circuit'
import type { WaterLink } from '../../physics/water'
import type { Part, PointView } from '../../model/kinds'
import type { FaultedMachine } from '../../model/machine'
import { newSimulationCache, scratchCache, type SimulationCache } from './cache'
import { CircuitSide, ownCircuits } from './circuit-side'
import { contextOf, type PointContext } from './point-context'
import { WaterSide, type WaterState } from './water-side'

/**
 * A faulted machine in one state, with its circuit and water solved when somebody looks.
 * `modeChanged` and `statesChanged` must be called after changing `modes` or `states`.
 */
export class OperatingPoint implements PointView {
  /** s since the start of the script. */
  time = 0
  /** Phase of the control, -1 for none, and when it was entered, s. */
  phase = -1
  phaseSince = 0
  private readonly context: PointContext
  readonly circuit: CircuitSide
  readonly water: WaterSide

  constructor(
    readonly faulted: FaultedMachine,
    readonly modes: Int8Array,
    readonly states: Float64Array,
    readonly modeSince: Float64Array,
    readonly cache: SimulationCache = newSimulationCache(),
    private readonly circuits = cache.circuits,
  ) {
    this.context = contextOf(faulted, this, cache)
    this.circuit = new CircuitSide(this.context, circuits)
    this.water = new WaterSide(this.context)
  }

  get values(): Float64Array {
    return this.faulted.values
  }
  get ambient(): number {
    return this.faulted.values[0]
  }

  /** To be called after a mode has changed. */
  modeChanged(mode: number): void {
    this.circuit.modeChanged(mode)
    this.water.modeChanged(mode)
  }
  /** To be called after continuous states have changed. */
  statesChanged(): void {
    this.circuit.statesChanged()
    this.water.statesChanged()
  }

  /** The same moment with other values: what if. */
  withFaulted(faulted: FaultedMachine): OperatingPoint {
    return this.copy(faulted, this.modes)
  }
  /** The same moment with one mode otherwise. */
  withMode(mode: number, value: number): OperatingPoint {
    return this.copy(this.faulted, this.modes.with(mode, value))
  }
  private copy(faulted: FaultedMachine, modes: Int8Array, circuits = this.circuits): OperatingPoint {
    const copy = new OperatingPoint(faulted, modes, this.states.slice(), this.modeSince.slice(), this.cache, circuits)
    copy.time = this.time
    copy.phase = this.phase
    copy.phaseSince = this.phaseSince
    return copy
  }
  /** The same modes in other states, with nothing shared. */
  withStates(states: Float64Array): OperatingPoint {
    return new OperatingPoint(this.faulted, this.modes, states, this.modeSince, scratchCache(this.cache))
  }
  /** The same moment with values that may be changed afterwards: nothing solved for it is kept for others. */
  withScratchValues(values: Float64Array): OperatingPoint {
    const cache = scratchCache(this.cache)
    return new OperatingPoint({ ...this.faulted, values }, this.modes, this.states, this.modeSince, cache)
  }
  /** A copy that later changes do not reach. */
  snapshot(): OperatingPoint {
    // What states move belongs to the copy; everything else of the circuit it finds again through the cache.
    const { follows } = this.circuit
    const copy = this.copy(this.faulted, this.modes.slice(), follows ? ownCircuits() : undefined)
    if (follows) copy.circuit.adopt(this.circuit.detached())
    return copy
  }

  /** The components of the moment, in the order of the parts. */
  components(): readonly Component[] {
    return this.circuit.components()
  }
  componentsOf(part: Part): readonly Component[] {
    return this.circuit.componentsOf(part)
  }
  ac(): Solution {
    return this.circuit.ac()
  }
  dc(): Solution {
    return this.circuit.dc()
  }
  hasSource(analysis: 'ac' | 'dc'): boolean {
    return this.circuit.hasSource(analysis)
  }
  volts(a: number, b: number): number {
    return this.circuit.volts(a, b)
  }
  dcVolts(a: number, b: number): number {
    return this.circuit.dcVolts(a, b)
  }
  amps(part: Part): number {
    return this.circuit.amps(part)
  }

  /** The water links of the moment, made anew: for an operating point whose values are moved. */
  links(): WaterLink[] {
    return this.water.links()
  }
  /** Fixed pressures, Pa; NaN where a node is free. */
  fixedPressures(): Float64Array {
    return this.water.fixedPressures()
  }
  /** Pressures and flows of the moment. The arrays are used again at the next moment: read, do not keep. */
  waterSolution(): WaterState {
    return this.water.solution()
  }
  pressure(node: number): number {
    return this.water.pressure(node)
  }
  flow(part: Part): number {
    return this.water.flow(part)
  }
  inflow(node: number): number {
    return this.water.inflow(node)
  }
  heatFlowInto(node: number): number {
    return this.water.heatFlowInto(node)
  }

  /** Rates of change of the continuous states, 1/s of each state's unit, written into `out`. */
  rates(out: Float64Array = new Float64Array(this.states.length)): Float64Array {
    out.fill(0)
    const { kinds } = this.faulted.machine
    for (const part of this.context.roles.rates) kinds[part.index].rates!(part, this, out)
    return out
  }
  referred(part: Part, name: string): Part | undefined {
    const index = part.ref[name]
    return index === undefined ? undefined : this.faulted.parts[index]
  }
  referredSignal(part: Part, name: string, signal: string): number {
    return this.signal(part.ref[name], signal)
  }
  /** A signal of a part, in the SI unit of its dimension; 0 or 1 where it has none. */
  signal(part: number, signal: string): number {
    return this.faulted.machine.kinds[part].signals![signal].read(this.faulted.parts[part], this)
  }
}
