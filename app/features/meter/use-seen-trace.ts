import { computed, type Ref } from 'vue'
import { callsIn, onIntervals, placeAt, seenCalls, withPeaks } from '../../../core/metering'
import type { useMeterLink } from './use-meter-link'

/** Steps of the picture. */
const STEPS = 300
/** Without a run the last stretch is shown, and of a run as much ahead, s. */
const WINDOW = 120
/** A hand is late: what came so long before the tap that starts a run belongs to it, s. */
const BEFORE = 2
/** More stretches no list of them needs. */
const MOST = 8

export interface SeenIn {
  /** What a good machine's meter shows through the run that goes on, s and SI. */
  spans?: readonly { from: number; to: number; si: number }[] | undefined
  /** Seconds of the run that goes on; `undefined` while none does. */
  runNow?: (() => number) | undefined
}

/** What of a line's trace a page shows: the picture, and the calls or the stretches in it. */
export function useSeenTrace(link: ReturnType<typeof useMeterLink>, isLost: Ref<boolean>, seenIn: SeenIn) {
  /** The trace in seconds of the run, or since the line was opened. */
  const shown = computed(() => {
    void link.drawn.value
    const { trace, origin } = link.traced()
    const { runNow, spans } = seenIn
    const offset = runNow ? runNow() - performance.now() / 1000 + origin : 0
    const first = runNow ? placeAt(trace.seconds, -BEFORE - offset) : 0
    const values = trace.columns[0]!.values.subarray(first)
    if (!values.length) return undefined
    const seconds = trace.seconds.subarray(first).map((s) => s + offset)
    const end = seconds.at(-1)!
    const from = runNow ? 0 : Math.max(0, end - WINDOW)
    const to = Math.max(end, spans?.findLast((s) => s.from < end + WINDOW)?.from ?? 0, from + 10)
    return { seconds, values, from, to, points: withPeaks(seconds, values, from, end, STEPS) }
  })
  const expected = computed(() => (seenIn.spans ? callsIn(seenIn.spans) : undefined))
  const calls = computed(() => {
    const own = shown.value
    const { spans, runNow } = seenIn
    if (!own || !spans || !runNow) return []
    return seenCalls(own.seconds, own.values, spans, runNow(), !isLost.value).filter(
      (c) => (c.shown ?? c.expected)!.from < own.to + WINDOW,
    )
  })
  const stretches = computed(() => {
    const own = shown.value
    return !own || seenIn.spans ? [] : onIntervals(own.seconds, own.values).slice(-MOST)
  })
  return { shown, expected, calls, stretches }
}
