import type { OperatingPoint } from '../simulate'

/** Mean of a square wave below which a counter shows nothing, V. */
const COUNTS_ABOVE = 0.5

/** Hertz that a counter shows between two nodes: a signal of the part whose wave stands there, or nothing. */
export const frequencyIndication = (
  point: OperatingPoint,
  part: number,
  signal: string,
  a: number,
  b: number,
): number => (Math.abs(point.dcVolts(a, b)) > COUNTS_ABOVE ? point.signal(part, signal) : 0)
