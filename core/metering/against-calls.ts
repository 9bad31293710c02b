import { onIntervals } from './look-at-trace'

/** A stretch in which a meter of a good machine stands at one value, s and SI. */
export interface ExpectedSpan {
  from: number
  to: number
  si: number
}

/**
 * A call and what of it was seen, s. `never`: its time is over and nothing came; `unwatched`: the line was not there for enough of that to say
 * so; `due`: its time is not over.
 */
export interface SeenCall {
  expected: { from: number; to: number } | undefined
  shown: { from: number; to: number } | undefined
  is: 'came' | 'goes-on' | 'never' | 'unwatched' | 'due' | 'unasked'
  /** The most that was shown in its time, SI. */
  most: number | undefined
}

/** A good machine's meter is in a call above this share of its height. */
const CALLED = 0.5
/** A meter whose readings lie no further apart watches, s; a call counts as watched where it did for this share of it. */
const APART = 2
const WATCHED = 0.8
/** What stands so little apart has no calls: share of the greater. */
const FLAT = 0.3

/** When a meter of a good machine stands high, and its two heights; `undefined` where it has nothing that comes and goes. */
export function callsIn(
  spans: readonly ExpectedSpan[],
): { calls: { from: number; to: number }[]; low: number; high: number } | undefined {
  const heights = spans.map((s) => Math.abs(s.si)).filter(Number.isFinite)
  if (!heights.length) return undefined
  const [low, high] = [Math.min(...heights), Math.max(...heights)]
  if (high - low <= FLAT * high) return undefined
  const calls: { from: number; to: number }[] = []
  for (const { from, to, si } of spans) {
    if (Math.abs(si) - low < CALLED * (high - low)) continue
    const last = calls.at(-1)
    if (last && last.to === from) last.to = to
    else calls.push({ from, to })
  }
  return { calls, low, high }
}

/**
 * What a trace shows of the calls that a good machine makes.
 *
 * @param seconds s of the run, rising
 * @param values SI; `Infinity` beyond the range
 * @param now s of the run: until when it was looked
 * @param going whether the trace goes on
 */
export function seenCalls(
  seconds: Float64Array,
  values: Float64Array,
  spans: readonly ExpectedSpan[],
  now: number,
  going: boolean,
): SeenCall[] {
  const expected = callsIn(spans)
  if (!expected) return []
  const { calls, low, high } = expected
  const shown = onIntervals(seconds, values.map(Math.abs), { low, high })
  const last = seconds.at(-1)
  const goesOn = (k: number) => going && k === shown.length - 1 && shown[k]!.to === last
  const taken = new Set<number>()
  const mostIn = (from: number, to: number): number | undefined => {
    let most: number | undefined
    for (let i = 0; i < values.length; i++)
      if (seconds[i]! >= from && seconds[i]! <= to && !Number.isNaN(values[i]!))
        most = Math.max(most ?? 0, Math.abs(values[i]!))
    return most
  }
  const watched = ({ from, to }: { from: number; to: number }): boolean => {
    let sum = 0
    for (let i = 1; i < seconds.length; i++) {
      const [a, b] = [Math.max(from, seconds[i - 1]!), Math.min(to, seconds[i]!)]
      const isGap = Number.isNaN(values[i - 1]!) || seconds[i]! - seconds[i - 1]! > APART
      if (b > a && !isGap) sum += b - a
    }
    return sum >= WATCHED * (to - from)
  }
  const missing = (call: { from: number; to: number }): SeenCall['is'] =>
    now <= call.to ? 'due' : watched(call) ? 'never' : 'unwatched'
  const seen = calls.map((call, c): SeenCall => {
    const next = calls[c + 1]?.from ?? Infinity
    // Late is late only until the next is due; what began before it was due belongs to it where it reaches into it.
    const k = shown.findIndex((s, i) => !taken.has(i) && s.to > call.from && s.from < Math.max(call.to, next))
    if (k < 0) return { expected: call, shown: undefined, is: missing(call), most: mostIn(call.from, call.to) }
    taken.add(k)
    const { from, to } = shown[k]!
    return { expected: call, shown: { from, to }, is: goesOn(k) ? 'goes-on' : 'came', most: mostIn(from, to) }
  })
  const rest = shown.flatMap((s, k): SeenCall[] =>
    taken.has(k)
      ? []
      : [
          {
            expected: undefined,
            shown: { from: s.from, to: s.to },
            is: 'unasked',
            most: mostIn(s.from, s.to),
          },
        ],
  )
  const startOf = (c: SeenCall) => c.expected?.from ?? c.shown!.from
  return [...seen, ...rest].sort((a, b) => startOf(a) - startOf(b))
}
