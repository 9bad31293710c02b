const LOOKS = ['light', 'dark', 'sun'] as const
export type Look = (typeof LOOKS)[number]

/** Light, dark, or sun (black on white, heavier type), kept on this device. */
export function useLook() {
  const look = useState<Look>('look', () => {
    const kept = localStorage.getItem('look')
    if (LOOKS.some((l) => l === kept)) return kept as Look
    return matchMedia('(prefers-color-scheme: dark)').matches ? 'dark' : 'light'
  })
  watchEffect(() => {
    document.documentElement.classList.remove(...LOOKS)
    document.documentElement.classList.add(look.value)
    localStorage.setItem('look', look.value)
  })
  const turn = () => (look.value = LOOKS[(LOOKS.indexOf(look.value) + 1) % LOOKS.length])
  return { look, turn }
}
