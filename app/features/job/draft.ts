import { computed, onMounted, shallowRef, watch, type Ref, type ShallowRef, type WritableComputedRef } from 'vue'
import { deviceDatabase } from '../../data/database'

/**
 * Something half typed that is there again after leaving, a reload or a crash; nothing typed is `undefined`.
 *
 * @param fits whether what the device kept is of this form
 */
function useDraftOf<T>(person: string, key: string, fits: (kept: unknown) => kept is T): ShallowRef<T | undefined> {
  const typed = shallowRef<T>()
  let read = false
  onMounted(async () => {
    const kept = await deviceDatabase()
      .drafts.get([person, key])
      .catch(() => undefined)
    const value = kept?.value
    if (typed.value === undefined && fits(value)) typed.value = value
    read = true
  })
  watch(typed, (value) => {
    if (!read && value === undefined) return
    const { drafts } = deviceDatabase()
    const done: Promise<unknown> =
      value === undefined ? drafts.delete([person, key]) : drafts.put({ person, key, value })
    void done.catch(() => undefined)
  })
  return typed
}

const isText = (kept: unknown): kept is string => typeof kept === 'string'

/** Half-typed text that belongs to nothing but its place. */
export function useDraft(person: string, key: string): WritableComputedRef<string> {
  const typed = useDraftOf(person, key, isText)
  return computed({ get: () => typed.value ?? '', set: (text) => (typed.value = text || undefined) })
}

interface HalfRead {
  test: string
  text: string
}
const isHalfRead = (kept: unknown): kept is HalfRead =>
  typeof kept === 'object' && kept !== null && 'test' in kept && 'text' in kept

/** A half-typed reading: it belongs to the test that it was typed for, and stands in the field of no other. */
export function useHalfRead(person: string, key: string, test: Ref<string | undefined>): WritableComputedRef<string> {
  const typed = useDraftOf(person, key, isHalfRead)
  return computed({
    get: () => (typed.value?.test === test.value ? (typed.value?.text ?? '') : ''),
    set: (text) => (typed.value = text && test.value !== undefined ? { test: test.value, text } : undefined),
  })
}
