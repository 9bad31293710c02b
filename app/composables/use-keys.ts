/** Keys of a page; silent while somebody types, but for Escape. */
export function useKeys(keys: Record<string, () => void>): void {
  const press = (event: KeyboardEvent) => {
    const typing =
      event.target instanceof HTMLElement && event.target.closest('input, textarea, select, [contenteditable]')
    if (event.ctrlKey || event.metaKey || event.altKey || (typing && event.key !== 'Escape')) return
    const act = keys[event.key.toLowerCase()]
    if (!act) return
    event.preventDefault()
    act()
  }
  onMounted(() => window.addEventListener('keydown', press))
  onBeforeUnmount(() => window.removeEventListener('keydown', press))
}
