import { ref, watch, type Ref } from 'vue'

const KEY = 'duckweed:without-the-shop'
const read = (): boolean => {
  try {
    return localStorage.getItem(KEY) === null
  } catch {
    return true
  }
}
let on: Ref<boolean> | undefined

/** Whether the advice on this device counts in what the shop's closed jobs have taught. */
export const countsShopIn = (): boolean => (on ? on.value : read())

/** The same as a switch. */
export function useShopSwitch(): { on: Ref<boolean> } {
  if (!on) {
    on = ref(read())
    watch(on, (is) => {
      try {
        if (is) localStorage.removeItem(KEY)
        else localStorage.setItem(KEY, '1')
      } catch {
        // A device that keeps nothing counts it in again next time.
      }
    })
  }
  return { on }
}
