import { LruCache } from '../../foundation/lru-cache'
import type { Component, Solution } from '../../physics/circuit'
import type { SeriesPath, WaterLink } from '../../physics/water'
import type { Part } from '../../model/kinds'
import type { FaultedMachine, Machine } from '../../model/machine'

export interface Circuit {
  components: Component[]
  /** First component of each part and how many it has. */
  first: Int32Array
  count: Int32Array
  ac: Solution | undefined
  dc: Solution | undefined
  /** Which kinds of source it has. */
  live: { ac: boolean; dc: boolean }
  rectifies: boolean
  /** Whether a resistance that follows the states lies in a loop with an AC source; `undefined` until it was asked. */
  acFollows: boolean | undefined
  /** Nodes whose island has a DC source in it. */
  dcIslands: Uint8Array | undefined
}

/** The water network of one set of modes, cut at its fixed pressures into subnetworks that do not feel each other. */
export interface WaterNetwork {
  links: WaterLink[]
  /** Link of each part, -1 when it has none. */
  of: Int32Array
  subnetworks: {
    links: number[]
    own: WaterLink[]
    /** One pressure or none drives nothing: its water stands. */
    stagnant: boolean
    /** The subnetwork as one equation where it does not branch. */
    path: SeriesPath | undefined
    boundaryNodes: number[]
    /** Boundary pressures of the solution below, NaN before the first. */
    lastBoundary: Float64Array
    flow: Float64Array
    /** Its nodes of unknown pressure and what they had. */
    innerNodes: number[]
    pressure: Float64Array
    /** Whether its flows came to rest when it was last solved. */
    settled: boolean
  }[]
}

/** Which modes and parameters change the circuit and which the water network. */
export interface Influence {
  circuit: Int32Array
  water: Int32Array
  onCircuit: { mode: Uint8Array; param: Uint8Array }
  onWater: { mode: Uint8Array; param: Uint8Array }
}

/** What of a faulted machine's values and wiring its circuit and its water network depend on, as text. */
export interface CacheKeys {
  circuit: string
  water: string
}

/** Parts by what their kinds do, so that nobody asks parts that have nothing to say. */
export interface Roles {
  stamped: readonly Part[]
  followers: readonly Part[]
  /** Those of the followers whose resistance follows. */
  resistive: readonly Part[]
  fixedPressures: readonly Part[]
  links: readonly Part[]
  rates: readonly Part[]
  temperatures: readonly Part[]
}

/**
 * What simulations of one machine share: circuits and water networks already built, by the modes and values that matter
 * to them, so that faults of the water line are solved electrically once, and the other way round. Owned by an engine;
 * nothing in it changes a number.
 */
export interface SimulationCache {
  circuits: LruCache<Circuit>
  water: LruCache<WaterNetwork>
  influence: WeakMap<Machine, Influence>
  keys: WeakMap<FaultedMachine, CacheKeys>
  roles: WeakMap<readonly Part[], Roles>
  /** What instruments have found on solutions and networks of this cache, by room of theirs. */
  readings: WeakMap<object, Map<string, unknown>>
}

/** Circuits, and water networks, that are kept at once. */
export const MOST_CACHED = 1200

/** An empty cache of operating points. One to an engine: what is in it depends on the machine alone. */
export const newSimulationCache = (): SimulationCache => ({
  circuits: new LruCache(MOST_CACHED),
  water: new LruCache(MOST_CACHED),
  influence: new WeakMap(),
  keys: new WeakMap(),
  roles: new WeakMap(),
  readings: new WeakMap(),
})

/** A cache for one machine whose networks are not kept for others. */
export const scratchCache = (cache: SimulationCache): SimulationCache => ({
  ...cache,
  circuits: new LruCache(MOST_CACHED),
  water: new LruCache(MOST_CACHED),
})
