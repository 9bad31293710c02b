/**
 * The wiring as the trade draws it to measure on: for each circuit two rails, and between them rungs of contacts, joints
 * and loads, every one of them drawn once, with a point for a probe at either end. Parts and nodes are indices.
 */
export interface Ladder {
  circuits: LadderCircuit[]
}

export interface LadderCircuit {
  /** The part that feeds it. */
  source: number
  /** Terminals of the source at the left rail and at the right. */
  feed: string
  return: string
  rungs: LadderRung[]
  nets: LadderNet[]
  /** Rails stand at column 0 and at this one. */
  columns: number
  rows: number
}

/** Terminals of a source: at its left rail, at its right, and all that belong to the same circuit. */
export interface Rails {
  feed: string
  return: string
  own: readonly string[]
}

/** A contact, joint or load between two of its terminals. */
export interface LadderRung {
  part: number
  /** Terminals at its left and at its right. */
  left: string
  right: string
  row: number
  /** It stands right of this column; a line leads from it to column `to`. */
  column: number
  to: number
}

/** What is joined by wire alone: a line down a column. */
export interface LadderNet {
  node: number
  column: number
  fromRow: number
  toRow: number
}
