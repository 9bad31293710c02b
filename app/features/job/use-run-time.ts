import { computed, onScopeDispose, ref, watch, type ComputedRef } from 'vue'
import type { WatchedRun } from '../../../core/job'
import { deviceId } from '../../data/device'
import { measureClock } from '../../data/server-clock'
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

  /** What this device's clock is off by, ms: looked at when the view comes, and on coming back. */
  const off = ref<number>()
  const look = () => void measureClock().then((ms) => (off.value = ms ?? off.value))
  look()
  /** When a run was started by the clock of this device, ms: its own stamp, or that of another device by the server's clock. */
  const startOf = ({ device, began, clockOff = 0 }: WatchedRun): number =>
    Date.parse(began) + (device === deviceId() ? 0 : (off.value ?? 0) - clockOff)

  const read = () => {
    const own = run.value
    if (!own) return { seconds: undefined, trouble: undefined }
    const wall = (Date.now() - startOf(own)) / 1000
    const from = began.get(own.event)
    const steady = from === undefined ? undefined : (performance.now() - from) / 1000
    return runTime({ wall, steady, slept: slept.has(own.event) })
  }
  const time = computed(() => {
    void tick.value
    return read()
  })
  // After a reload the stamp counts once; from then on the steady clock does. A run of another device is tied once its clock is known.
  watch(
    [() => run.value?.event, off],
    ([event]) => {
      const { seconds } = time.value
      if (run.value && run.value.device !== deviceId() && off.value === undefined) return
      if (event !== undefined && seconds !== undefined && !began.has(event))
        began.set(event, performance.now() - seconds * 1000)
    },
    { immediate: true },
  )
  const seconds = computed(() => time.value.seconds ?? 0)

  let hidden: number | undefined
  const turned = () => {
    const own = run.value
    if (!own || own.over !== undefined) return
    if (document.hidden) hidden = seconds.value
    else {
      look()
      slept.add(own.event)
      tick.value++
      if (hidden !== undefined && seconds.value - hidden > WORTH_SAYING) away(hidden, seconds.value)
      hidden = undefined
    }
  }
  document.addEventListener('visibilitychange', turned)
  onScopeDispose(() => document.removeEventListener('visibilitychange', turned))
  /** To the moment: what is shown is up to a tick old. */
  const now = () => read().seconds ?? 0
  return { seconds, now, trouble: computed(() => time.value.trouble), clockOff: off }
}
