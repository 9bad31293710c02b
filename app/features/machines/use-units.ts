import { computed, onScopeDispose, ref, shallowRef } from 'vue'
import { search } from '../../../core/search'
import { listUnits, type Unit } from '../../../shared/contracts/units'
import { fetchOrKept } from '../../data/fetched'
import { ApiError } from '../../data/http'
import { hear } from '../../data/tabs'
import { useSession } from '../session'

export interface Owner {
  id: string
  customer: string
  units: Unit[]
}

/** The units of the organisation by customer and site, found by any word. */
export function useUnits() {
  const session = useSession()
  const found = shallowRef<(Unit & { words: string[] })[]>()
  const words = ref('')
  const retired = ref(false)
  const trouble = ref('')

  async function load(): Promise<void> {
    try {
      const { value, fresh } = await fetchOrKept(
        session.person!.id,
        retired.value ? 'units:all' : 'units',
        listUnits,
        retired.value ? { query: { retired: 'true' } } : {},
      )
      found.value = value.units.map((u) => ({
        ...u,
        words: [u.title, u.serial, u.customer.name, u.site.name, u.sheetTitle, ...(value.sheets[u.sheet]?.words ?? [])],
      }))
      trouble.value = fresh ? '' : 'The server cannot be reached. This is the list as it was last.'
    } catch (error) {
      if (!(error instanceof ApiError)) throw error
      if (error.status === 401) return session.expire()
      trouble.value = error.message
    }
  }
  const owners = computed((): Owner[] | undefined => {
    if (!found.value) return undefined
    const out = new Map<string, Owner>()
    for (const u of search(found.value, words.value)) {
      const owner = out.get(u.customer.id) ?? { id: u.customer.id, customer: u.customer.name, units: [] }
      owner.units.push(u)
      out.set(u.customer.id, owner)
    }
    return [...out.values()].sort((a, b) => a.customer.localeCompare(b.customer))
  })
  onScopeDispose(hear(({ type }) => type === 'again' && void load()))
  void load()
  return { owners, words, retired, trouble, load }
}
