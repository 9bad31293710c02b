import { onBeforeUnmount, onMounted } from 'vue'
import { useKeySwitch } from './use-key-switch'

/**
 * Keys of a page: silent while somebody types, but for Escape; a key held down acts once; switched off with the
 * person's switch, Escape alone remains.
 */
export function useKeys(keys: Record<string, () => void>): void {
  const { on } = useKeySwitch()
  const press = (event: KeyboardEvent) => {
    const typing =
      event.target instanceof HTMLElement && event.target.closest('input, textarea, select, [contenteditable]')
    if (event.repeat || event.ctrlKey || event.metaKey || event.altKey) return
    if (event.key !== 'Escape' && (typing || !on.value)) return
    const act = keys[event.key.toLowerCase()]
    if (!act) return
    event.preventDefault()
    act()
  }
  onMounted(() => window.addEventListener('keydown', press))
  onBeforeUnmount(() => window.removeEventListener('keydown', press))
}
