import { onScopeDispose, ref, type Ref } from 'vue'

/** Whether a media query holds, and goes on holding. */
export function useMedia(query: string): Readonly<Ref<boolean>> {
  const list = window.matchMedia(query)
  const holds = ref(list.matches)
  const turn = () => (holds.value = list.matches)
  list.addEventListener('change', turn)
  onScopeDispose(() => list.removeEventListener('change', turn))
  return holds
}
