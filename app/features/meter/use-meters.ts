import { computed, ref } from 'vue'
import { listMeters, type Meter } from '../../../shared/contracts/meters'
import { fetchOrKept } from '../../data/fetched'
import { useSession } from '../session'

/** The meters that a lead has allowed. */
export function useMeters() {
  const session = useSession()
  const meters = ref<Meter[]>([])
  const trouble = ref('')
  const asked = ref(false)
  async function look(): Promise<void> {
    const { person } = session
    if (!person) return
    try {
      meters.value = (await fetchOrKept(person.id, 'meters', listMeters)).value.meters
      trouble.value = ''
    } catch (error) {
      trouble.value = error instanceof Error ? error.message : String(error)
    }
    asked.value = true
  }
  void look()
  return {
    meters,
    trouble,
    asked,
    look,
    isLead: computed(() => session.person?.role === 'lead'),
    mayRead: computed(() => session.person?.role !== 'read-only'),
  }
}
