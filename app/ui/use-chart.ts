import { onBeforeUnmount, onMounted, watch, type ShallowRef, type WatchSource } from 'vue'
import { useLook } from './use-look'

/** What is needed of a picture of a chart library. */
interface Picture {
  resize(): void
  dispose(): void
}

/** Colours of the look, by the names of its variables. */
export const coloursOf = (...names: string[]): string[] => {
  const style = getComputedStyle(document.documentElement)
  return names.map((name) => style.getPropertyValue(`--${name}`).trim())
}

/**
 * Keeps a chart in its place: made once there is one, drawn anew when what it shows or the look changes, as wide as there is room, gone with
 * the page.
 *
 * @returns the chart, once there is one
 */
export function useChart<C extends Picture>(
  place: Readonly<ShallowRef<HTMLElement | null>>,
  make: (place: HTMLElement) => C,
  draw: (chart: C) => void,
  shown: readonly WatchSource[],
): () => C | undefined {
  const { look } = useLook()
  let chart: C | undefined
  const again = () => {
    if (place.value) draw((chart ??= make(place.value)))
  }
  const fit = new ResizeObserver(() => chart?.resize())
  onMounted(() => {
    again()
    fit.observe(place.value!)
  })
  watch([...shown, look], again, { flush: 'post' })
  onBeforeUnmount(() => {
    fit.disconnect()
    chart?.dispose()
  })
  return () => chart
}
