import { ref, watch } from 'vue'

const KEPT = 'duckweed:keys'
const read = () => {
  try {
    return localStorage.getItem(KEPT) !== 'off'
  } catch {
    return true
  }
}
const on = ref(read())
watch(on, (now) => {
  try {
    localStorage.setItem(KEPT, now ? 'on' : 'off')
  } catch {
    // This browser keeps nothing: the switch holds until the page is left.
  }
})

/** Whether single letters act; kept on this device. */
export const useKeySwitch = () => ({ on })
