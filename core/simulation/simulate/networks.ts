import type { Component, Solution } from '../../physics/circuit'
import type { SeriesPath, WaterLink } from '../../physics/water'

export interface Circuit {
  components: Component[]
  /** First component of each part and how many it has. */
  first: Int32Array
  count: Int32Array
  ac: Solution | undefined
  dc: Solution | undefined
  live: { ac: boolean; dc: boolean }
  rectifies: boolean
  /** Whether a resistance that follows the states lies in a loop with an AC source. */
  acFollows: boolean | undefined
  /** Nodes whose island has a DC source in it. */
  dcIslands: Uint8Array | undefined
}

/** The water network of one set of modes, cut at its fixed pressures into subnetworks that do not feel each other. */
export interface WaterNetwork {
  links: WaterLink[]
  /** Stretch of each part, -1 when it has none. */
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
  }[]
}

/**
 * Circuits and water networks already built, by what they depend on: the modes and the values that matter to them.
 * Shared by all faulted machines of one machine, so that faults of the water line are solved electrically once, and the
 * other way round.
 */
export interface NetworkCache {
  circuits: LruCache<Circuit>
  water: LruCache<WaterNetwork>
}

/** Circuits, and water networks, that are kept at once. */
const MOST_CACHED = 1200

/** The newest of what has been built; what has not been asked for lately is built again when it is. */
export class LruCache<T> {
  private recent = new Map<string, T>()
  private older = new Map<string, T>()
  get(key: string): T | undefined {
    const found = this.recent.get(key)
    if (found) return found
    const old = this.older.get(key)
    if (old) this.set(key, old)
    return old
  }
  set(key: string, value: T): void {
    if (this.recent.size >= MOST_CACHED / 2) {
      this.older = this.recent
      this.recent = new Map()
    }
    this.recent.set(key, value)
  }
}
export const newNetworkCache = (): NetworkCache => ({ circuits: new LruCache(), water: new LruCache() })
