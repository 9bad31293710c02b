/**
 * The machine as the trade draws it: a water line and a power line that meet at each valve, pump or load, and the
 * level lines that come back. Parts are indices; everything is found from the joints of the sheet.
 */
export interface TracedLines {
  lanes: TracedLine[]
  levels: { vessel: number; chain: number[] }[]
}

export interface TracedLine {
  /** The part where the lines meet, or the load that stands for its lane. */
  center: number
  /** Water, from its source to the part. */
  water: number[]
  /** Water that leaves, from the part outwards. */
  waterOut: number[]
  /** The vessel it takes from or fills, where there is one. */
  vessel: number | undefined
  /** True when it takes its water from the vessel. */
  empties: boolean
  /** Power, from the supply to the part. */
  feed: number[]
  /** Parts that are only in the return, from the part to the supply. */
  back: number[]
}
