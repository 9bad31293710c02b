import { computed, onScopeDispose, reactive, readonly, ref } from 'vue'
import { hear } from '../../data/tabs'

export interface Notice {
  /** One of each kind stands at a time. */
  kind: string
  text: string
  /** What can be done about it. */
  act?: { label: string; run: () => void }
}

const notices = reactive(new Map<string, Notice>())

/** Says something to the person, in the one place for it. */
export const notify = (notice: Notice): void => void notices.set(notice.kind, notice)
export const dismiss = (kind: string): void => void notices.delete(kind)
export const useNotices = () => computed(() => [...notices.values()])

const trouble = ref<{ code: string; message: string }>()

/** What keeps entries from being sent, as the tab that sends says it. */
export function useTrouble() {
  const deaf = hear((message) => {
    if (message.type === 'trouble') trouble.value = message.trouble
  })
  onScopeDispose(deaf)
  return readonly(trouble)
}
