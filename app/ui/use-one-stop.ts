import { computed, nextTick, ref, watch, type ComputedRef, type Ref } from 'vue'

/** Several things of one kind, as the keyboard sees them. */
export interface OneStop<Id> {
  /** The one with `tabindex` 0; every other has -1. */
  stop: ComputedRef<Id | undefined>
  /** Goes where a key leads, with the focus. */
  go: (event: KeyboardEvent) => Promise<void>
}

/**
 * Several things of one kind as one stop of the keyboard: Tab comes to one of them, arrows go from it to another.
 *
 * @param room what holds them
 * @param first the one that Tab comes to until an arrow leads away from it, and again as soon as it is another
 * @param next where a key leads from one; `undefined` where it leads nowhere
 * @param has whether one is still there: what has gone is no stop
 */
export function useOneStop<Id>(
  room: Readonly<Ref<HTMLElement | null>>,
  first: () => Id | undefined,
  next: (from: Id, key: string) => Id | undefined,
  has: (id: Id) => boolean = () => true,
): OneStop<Id> {
  const reached = ref() as Ref<Id | undefined>
  const stop = computed(() => (reached.value !== undefined && has(reached.value) ? reached.value : first()))
  watch(first, () => (reached.value = undefined))
  async function go(event: KeyboardEvent): Promise<void> {
    const to = stop.value === undefined ? undefined : next(stop.value, event.key)
    if (to === undefined) return
    event.preventDefault()
    reached.value = to
    await nextTick()
    room.value?.querySelector<HTMLElement>('[tabindex="0"]')?.focus()
  }
  return { stop, go }
}

const TURNS: Record<string, 1 | -1> = { ArrowRight: 1, ArrowDown: 1, ArrowLeft: -1, ArrowUp: -1 }

/** Where an arrow leads in a row of things that closes to a ring; `undefined` for any other key. */
export function nextInRing<Id>(all: readonly Id[], from: Id, key: string): Id | undefined {
  const by = TURNS[key]
  return by && all[(all.indexOf(from) + by + all.length) % all.length]
}
