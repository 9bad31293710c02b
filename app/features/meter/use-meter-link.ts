import { computed, onScopeDispose, ref, shallowRef } from 'vue'
import { LiveTrace, Settling, type MeterReads } from '../../../core/metering'
import type { LinkState, MeterReading } from '../../../shared/contracts/meters'
import { watchMeter } from '../../data/meter-stream'

/** What is shown is drawn anew so often, ms: no eye reads faster. */
const DRAWN_EVERY = 250
/** A reading of before is not of now, s. */
const FRESH = 2
/** Nonsense is shown for so long, ms. */
const STRANGE_FOR = 4000

/**
 * The line to one meter as a page sees it: the live value, its trace, and where it came to rest.
 *
 * @param settled told where a reading has come to rest, SI
 */
// eslint-disable-next-line max-lines-per-function -- a composable: one closure over what a line brings
export function useMeterLink(settled: (si: number) => void) {
  const state = ref<LinkState>()
  /** The server itself does not answer. */
  const away = ref(false)
  const live = ref<number>()
  const held = ref<{ least: number; most: number; over: number }>()
  const strange = ref('')
  /** Counts up as the trace grows, at the pace of eyes. */
  const drawn = ref(0)
  const opened = shallowRef<{ meter: string; reads: MeterReads }>()

  let trace = new LiveTrace()
  /** The clock of the page when the line stood at nought, s: readings come late, never early. */
  let origin = Infinity
  let link: string | undefined
  /** What the clock of a later line is behind that of the first, s. */
  let shift = 0
  let last = 0
  /** Number of the last reading of that line. */
  let counted = 0
  let settling: Settling | undefined
  let leave: (() => void) | undefined
  let timer: ReturnType<typeof setTimeout> | undefined
  let strangeTimer: ReturnType<typeof setTimeout> | undefined
  const draw = () => {
    timer ??= setTimeout(() => {
      timer = undefined
      drawn.value++
    }, DRAWN_EVERY)
  }
  function forget(): void {
    trace = new LiveTrace()
    origin = Infinity
    link = undefined
    shift = last = counted = 0
    live.value = held.value = undefined
    drawn.value++
  }
  function take({ link: own, n, at, si }: MeterReading): void {
    // Somebody else has set it to something else.
    if (state.value && state.value.reads !== opened.value?.reads) return
    // A line that is opened anew tells again what it told.
    if (own === link && n <= counted) return
    counted = n
    const now = performance.now() / 1000
    if (own !== link) {
      // The server began anew: what it had before stays, and its clock goes on from there.
      if (link !== undefined) {
        trace.push(last, NaN)
        shift = now - at / 1000 - origin
      }
      link = own
    }
    const seconds = at / 1000 + shift
    last = seconds
    origin = Math.min(origin, now - seconds)
    const value = si ?? Infinity
    trace.push(seconds, value)
    live.value = value
    const was = held.value
    held.value = Number.isFinite(value)
      ? { least: Math.min(was?.least ?? value, value), most: Math.max(was?.most ?? value, value), over: was?.over ?? 0 }
      : was && { ...was, over: was.over + 1 }
    const rest = settling?.push(seconds, value)
    // What came to rest while the page was away is told by its trace.
    if (rest !== undefined && now - seconds - origin < FRESH) settled(rest)
    draw()
  }
  function open(meter: string, reads: MeterReads, range = 0): void {
    const before = opened.value
    leave?.()
    if (before?.meter !== meter || before.reads !== reads) forget()
    opened.value = { meter, reads }
    state.value = undefined
    settling = new Settling(reads)
    leave = watchMeter(meter, reads, range, {
      reading: (reading) => {
        away.value = false
        take(reading)
      },
      state: (now) => {
        away.value = false
        if (now.is === 'lost' && state.value?.is === 'open') trace.push(last, NaN)
        if (now.is !== 'open' || now.reads !== reads) live.value = undefined
        state.value = now
      },
      nonsense: (text) => {
        strange.value = text
        clearTimeout(strangeTimer)
        strangeTimer = setTimeout(() => (strange.value = ''), STRANGE_FOR)
      },
      away: () => {
        away.value = true
        live.value = undefined
      },
    })
  }
  function close(): void {
    leave?.()
    leave = undefined
    opened.value = undefined
    state.value = undefined
    live.value = undefined
    away.value = false
  }
  onScopeDispose(() => {
    close()
    clearTimeout(timer)
    clearTimeout(strangeTimer)
  })
  return {
    state,
    away,
    live,
    held,
    strange,
    drawn,
    opened: computed(() => opened.value),
    open,
    close,
    forget,
    /** The trace so far, and what the clock of the page showed at its nought, s. */
    traced: (name?: string) => ({ trace: trace.whole(name), origin }),
  }
}
