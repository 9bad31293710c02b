import type { OperatingPoint } from '../simulate'

/** What an instrument shows, in SI, with its sensitivity to the machine's parameters. */
export interface Indication {
  /** `open`: beyond the range. `refused`: the instrument must not be put there as the machine stands. */
  type: 'value' | 'open' | 'refused'
  value: number
  /** What a conductor picks up from live ones beside it, one standard deviation; absent where nothing is picked up. */
  stray?: number
  /** Change of the value for +1 standard deviation of each parameter, by parameter. */
  sensitivity: Float64Array
}

/** A zero that no parameter moves. */
export const zeroIndication = (point: OperatingPoint): Indication => ({
  type: 'value',
  value: 0,
  sensitivity: new Float64Array(point.faulted.machine.params.length),
})

/** What was found on a solution or network before, in the cache of the operating point; else found now. */
export function cached<T>(point: OperatingPoint, owner: object, key: string, find: () => T): T {
  const { readings } = point.cache
  let known = readings.get(owner)
  if (!known) readings.set(owner, (known = new Map()))
  let found = known.get(key) as T | undefined
  if (found === undefined) known.set(key, (found = find()))
  return found
}
