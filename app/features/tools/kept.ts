import { reactive, watch } from 'vue'

/**
 * Something that is kept on this device under a key, so that leaving and coming back loses nothing.
 *
 * @param fits makes of what was found, whatever it is, what is wanted
 */
export function useKept<T extends object>(key: string, fits: (found: unknown) => T): T {
  let found: unknown
  try {
    found = JSON.parse(localStorage.getItem(key) ?? 'null')
  } catch {
    found = undefined
  }
  const state = reactive(fits(found)) as T
  watch(state, () => {
    try {
      localStorage.setItem(key, JSON.stringify(state))
    } catch {
      // A full device keeps nothing: what is typed stands until the page is left.
    }
  })
  return state
}

/** The texts of an object by name; nothing else of it. */
export const textsOf = (found: unknown): Record<string, string> =>
  Object.fromEntries(
    Object.entries(typeof found === 'object' && found !== null ? found : {}).filter(
      (entry): entry is [string, string] => typeof entry[1] === 'string',
    ),
  )
