import { ref, watchEffect, type Ref } from 'vue'

const LOOKS = ['light', 'dark', 'sun'] as const
export type Look = (typeof LOOKS)[number]
const KEPT = 'duckweed:look'

function first(): Look {
  try {
    const kept = localStorage.getItem(KEPT)
    if (LOOKS.some((l) => l === kept)) return kept as Look
  } catch {
    // This browser keeps nothing: what it prefers counts.
  }
  return matchMedia('(prefers-color-scheme: dark)').matches ? 'dark' : 'light'
}
let look: Ref<Look> | undefined

/** Light, dark, or sun (black on white, heavier type), kept on this device. */
export function useLook() {
  if (!look) {
    const own: Ref<Look> = ref(first())
    look = own
    watchEffect(() => {
      document.documentElement.classList.remove(...LOOKS)
      document.documentElement.classList.add(own.value)
      try {
        localStorage.setItem(KEPT, own.value)
      } catch {
        // Holds until the page is left.
      }
    })
  }
  return { look, looks: LOOKS }
}
