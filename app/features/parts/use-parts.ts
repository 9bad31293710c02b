import { onScopeDispose, ref, shallowRef, watch } from 'vue'
import { listParts, type Part } from '../../../shared/contracts/parts'
import { call } from '../../data/http'
import { hear } from '../../data/tabs'

/** A search is sent once nobody has typed for so long, ms. */
const STILL = 250

/** The parts of the organisation, searched and page by page. */
export function useParts() {
  const words = ref('')
  const low = ref(false)
  const sheet = ref<string | null>(null)
  const parts = shallowRef<Part[]>()
  const next = ref<string | null>(null)
  const trouble = ref('')
  let round = 0
  /** More than the first page stands there. */
  let paged = false
  let timer: ReturnType<typeof setTimeout> | undefined

  const asked = (cursor: string | undefined) => ({
    q: words.value.trim() || undefined,
    low: low.value ? ('true' as const) : undefined,
    sheet: sheet.value ?? undefined,
    cursor,
  })
  /** @param more the next page, behind what stands there */
  async function load(more = false): Promise<void> {
    const mine = ++round
    paged = more
    try {
      const answer = await call(listParts, { query: asked(more ? (next.value ?? undefined) : undefined) })
      if (mine !== round) return
      parts.value = more ? [...(parts.value ?? []), ...answer.parts] : answer.parts
      next.value = answer.next
      trouble.value = ''
    } catch (error) {
      if (mine === round) trouble.value = error instanceof Error ? error.message : String(error)
    }
  }
  watch([words, low, sheet], () => {
    clearTimeout(timer)
    timer = setTimeout(() => void load(), STILL)
  })
  // What a job took out of a van is gone from here too; whoever has paged on keeps the place.
  const deaf = hear(({ type }) => (type === 'again' || type === 'job') && !paged && void load())
  onScopeDispose(() => {
    clearTimeout(timer)
    deaf()
  })
  void load()
  /** Every part that fits the search, for a file. */
  async function all(): Promise<Part[]> {
    const found: Part[] = []
    let cursor: string | undefined
    do {
      const answer = await call(listParts, { query: asked(cursor) })
      found.push(...answer.parts)
      cursor = answer.next ?? undefined
    } while (cursor)
    return found
  }
  return { words, low, sheet, parts, next, trouble, load, all }
}
