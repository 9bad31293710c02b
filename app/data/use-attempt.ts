import { ref, type Ref } from 'vue'

/** What a failure says to the person. */
export const wordsOf = (error: unknown): string => (error instanceof Error ? error.message : String(error))

/**
 * Acts that may fail, one after another: what the last one failed with, in words for the person, and whether one is under way.
 *
 * @returns `attempt`, which resolves to whether it went well
 */
export function useAttempt(): {
  trouble: Ref<string>
  busy: Ref<boolean>
  attempt: (act: () => Promise<unknown>) => Promise<boolean>
} {
  const trouble = ref('')
  const busy = ref(false)
  async function attempt(act: () => Promise<unknown>): Promise<boolean> {
    busy.value = true
    try {
      await act()
      trouble.value = ''
      return true
    } catch (error) {
      trouble.value = wordsOf(error)
      return false
    } finally {
      busy.value = false
    }
  }
  return { trouble, busy, attempt }
}
