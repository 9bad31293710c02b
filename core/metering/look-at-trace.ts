import type { OnInterval } from './contract'

/** What a column comes to between two moments. */
export interface TraceSummary {
  count: number
  least: number
  most: number
  mean: number
  /** Readings beyond the range of the meter. */
  over: number
}

/** The first place whose time is not before `at`, by halving. */
export function placeAt(seconds: Float64Array, at: number): number {
  let [low, high] = [0, seconds.length]
  while (low < high) {
    const mid = (low + high) >> 1
    if (seconds[mid]! < at) low = mid + 1
    else high = mid
  }
  return low
}

/** @returns `undefined` where nothing was read there */
export function summarise(
  seconds: Float64Array,
  values: Float64Array,
  from: number,
  to: number,
): TraceSummary | undefined {
  let [count, least, most, sum, over] = [0, Infinity, -Infinity, 0, 0]
  for (let i = placeAt(seconds, from); i < values.length && seconds[i]! <= to; i++) {
    const value = values[i]!
    if (Number.isNaN(value)) continue
    if (!Number.isFinite(value)) {
      over++
      continue
    }
    count++
    sum += value
    if (value < least) least = value
    if (value > most) most = value
  }
  return count ? { count, least, most, mean: sum / count, over } : undefined
}

/**
 * A column as a picture of so many steps can show it: of each step its first, least, most and last, in the order in which they came. No peak
 * is lost, however narrow; a gap stays a gap.
 */
export function withPeaks(
  seconds: Float64Array,
  values: Float64Array,
  from: number,
  to: number,
  steps: number,
): [number, number | null][] {
  const first = placeAt(seconds, from)
  const last = Math.min(values.length, placeAt(seconds, to) + 1)
  const points: [number, number | null][] = []
  const add = (i: number) => {
    const value = values[i]!
    points.push([seconds[i]!, Number.isFinite(value) ? value : null])
  }
  if (last - first <= 4 * steps) {
    for (let i = first; i < last; i++) add(i)
    return points
  }
  const size = (last - first) / steps
  for (let s = 0; s < steps; s++) {
    const [begin, end] = [Math.floor(first + s * size), Math.min(last, Math.floor(first + (s + 1) * size))]
    let [low, high, gap] = [begin, begin, -1]
    for (let i = begin; i < end; i++) {
      const value = values[i]!
      if (!Number.isFinite(value)) gap = i
      else {
        if (!(values[low]! <= value)) low = i
        if (!(values[high]! >= value) || !Number.isFinite(values[high]!)) high = i
      }
    }
    const places = [...new Set([begin, low, high, ...(gap < 0 ? [] : [gap]), end - 1])].sort((a, b) => a - b)
    for (const i of places) add(i)
  }
  return points
}

/** It is on above this share between the low and the high of a trace, and off below that one. */
const ON = 0.6
const OFF = 0.4
/** Shares of readings that count as low and high: what a spike shows is neither. */
const LOW = 0.02
const HIGH = 0.98
/** A trace that hardly moves has nothing on or off, as a share of its height. */
const MOVES = 0.1

/** The low and the high of a trace, `undefined` where it hardly moves. */
function levelsOf(values: Float64Array): { low: number; high: number } | undefined {
  const sorted = values.filter((v) => Number.isFinite(v)).sort()
  if (sorted.length < 3) return undefined
  const [low, high] = [sorted[Math.floor(LOW * (sorted.length - 1))]!, sorted[Math.ceil(HIGH * (sorted.length - 1))]!]
  return high - low <= MOVES * Math.max(Math.abs(high), Math.abs(low)) ? undefined : { low, high }
}

/**
 * When something was on, by what its trace shows: between the low and the high that nearly all readings lie within, with a difference between on and
 * off so that noise makes no intervals.
 *
 * @param levels its low and high where they are known from elsewhere
 */
export function onIntervals(seconds: Float64Array, values: Float64Array, levels = levelsOf(values)): OnInterval[] {
  if (!levels) return []
  const { low, high } = levels
  const found: OnInterval[] = []
  let [since, sum, count] = [-1, 0, 0]
  for (let i = 0; i < values.length; i++) {
    const value = values[i]!
    if (Number.isNaN(value)) continue
    const height = Number.isFinite(value) ? (value - low) / (high - low) : 1
    if (since < 0 && height > ON) [since, sum, count] = [i, 0, 0]
    if (since >= 0 && height < OFF) {
      found.push({ from: seconds[since]!, to: seconds[i]!, mean: count ? sum / count : Infinity })
      since = -1
    }
    if (since >= 0 && Number.isFinite(value)) {
      sum += value
      count++
    }
  }
  if (since >= 0) found.push({ from: seconds[since]!, to: seconds.at(-1)!, mean: count ? sum / count : Infinity })
  return found
}
