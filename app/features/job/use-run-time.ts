import { computed, onScopeDispose, ref, watch, type ComputedRef } from 'vue'
import type { WatchedRun } from '../../../core/job'
import { runTime } from '../../../core/running'

/** How often the clock of a run moves on, ms. */
const EVERY = 200
/** A screen that is off for less than this missed nothing, s. */
const WORTH_SAYING = 2

/** When each run began by the clock of this page, ms; and which of them the device may have slept in. */
const began = new Map<string, number>()
const slept = new Set<string>()

/** Ties a run to the clock that nobody sets, from its start on. */
export function runBegins(event: string): void {
  began.set(event, performance.now())
}

/**
 * How long a run has gone on, by the best clock there is.
 *
 * @param away what is to be done when the screen was off for a while, s since the start of the run
 */
export function useRunTime(run: ComputedRef<WatchedRun | undefined>, away: (from: number, to: number) => void) {
  const tick = ref(0)
  const timer = setInterval(() => tick.value++, EVERY)
  onScopeDispose(() => clearInterval(timer))

  const time = computed(() => {
    void tick.value
    const own = run.value
    if (!own) return { seconds: undefined, trouble: undefined }
    const wall = (Date.now() - Date.parse(own.at)) / 1000
    const from = began.get(own.event)
    const steady = from === undefined ? undefined : (performance.now() - from) / 1000
    return runTime({ wall, steady, slept: slept.has(own.event) })
  })
  // After a reload the stamp counts once; from then on the steady clock does.
  watch(
    () => run.value?.event,
    (event) => {
      const { seconds } = time.value
      if (event !== undefined && seconds !== undefined && !began.has(event))
        began.set(event, performance.now() - seconds * 1000)
    },
    { immediate: true },
  )
  const seconds = computed(() => time.value.seconds ?? 0)

  let off: number | undefined
  const turned = () => {
    const own = run.value
    if (!own || own.over !== undefined) return
    if (document.hidden) off = seconds.value
    else {
      slept.add(own.event)
      tick.value++
      if (off !== undefined && seconds.value - off > WORTH_SAYING) away(off, seconds.value)
      off = undefined
    }
  }
  document.addEventListener('visibilitychange', turned)
  onScopeDispose(() => document.removeEventListener('visibilitychange', turned))
  return { seconds, trouble: computed(() => time.value.trouble) }
}
