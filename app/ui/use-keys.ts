import { onBeforeUnmount, onMounted } from 'vue'
import { useKeySwitch } from './use-key-switch'

/** What a key does: at once, or while it is held. */
type KeyAct = (() => void) | { down(): void; up(): void }

/**
 * Keys of a page: silent while somebody types, but for Escape; a key held down acts once; with the person's switch single
 * letters are off, and keys with a name of their own (Escape, a pedal's) remain.
 */
export function useKeys(keys: Record<string, KeyAct>): void {
  const { on } = useKeySwitch()
  const press = (event: KeyboardEvent) => {
    const typing =
      event.target instanceof HTMLElement && event.target.closest('input, textarea, select, [contenteditable]')
    if (event.repeat || event.ctrlKey || event.metaKey || event.altKey) return
    const isOff = event.key.length === 1 && !on.value
    if (event.key !== 'Escape' && (typing || isOff)) return
    const act = keys[event.key.toLowerCase()]
    if (!act) return
    event.preventDefault()
    if (typeof act === 'function') act()
    else act.down()
  }
  const release = (event: KeyboardEvent) => {
    const act = keys[event.key.toLowerCase()]
    if (typeof act === 'object') act.up()
  }
  onMounted(() => {
    window.addEventListener('keydown', press)
    window.addEventListener('keyup', release)
  })
  onBeforeUnmount(() => {
    window.removeEventListener('keydown', press)
    window.removeEventListener('keyup', release)
  })
}
