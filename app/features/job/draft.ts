import { onMounted, ref, watch, type Ref } from 'vue'
import { deviceDatabase } from '../../data/database'

/** A half-typed value that is there again after leaving, a reload or a crash. */
export function useDraft(person: string, key: string): Ref<string> {
  const text = ref('')
  let read = false
  onMounted(async () => {
    const kept = await deviceDatabase()
      .drafts.get([person, key])
      .catch(() => undefined)
    if (kept && !text.value) text.value = String(kept.value)
    read = true
  })
  watch(text, (value) => {
    if (!read && !value) return
    const { drafts } = deviceDatabase()
    const done: Promise<unknown> = value ? drafts.put({ person, key, value }) : drafts.delete([person, key])
    void done.catch(() => undefined)
  })
  return text
}
