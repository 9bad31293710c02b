import { onMounted, onScopeDispose, ref } from 'vue'

/** Keeps the screen on while a page asks for it, where the device can. @returns whether it is kept on */
export function useAwake() {
  const awake = ref(false)
  let lock: WakeLockSentinel | undefined
  let over = false
  async function ask(): Promise<void> {
    if (document.visibilityState !== 'visible' || !('wakeLock' in navigator)) return
    try {
      lock = await navigator.wakeLock.request('screen')
      awake.value = true
      lock.addEventListener('release', () => (awake.value = false))
      if (over) await lock.release()
    } catch {
      awake.value = false
    }
  }
  const again = () => void ask()
  onMounted(() => {
    void ask()
    document.addEventListener('visibilitychange', again)
  })
  onScopeDispose(() => {
    over = true
    document.removeEventListener('visibilitychange', again)
    void lock?.release().catch(() => undefined)
  })
  return awake
}
