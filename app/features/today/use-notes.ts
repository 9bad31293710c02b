import { onScopeDispose, shallowRef } from 'vue'
import type { z } from 'zod'
import { readToday } from '../../../shared/contracts/schedule'
import { fetchOrKept } from '../../data/fetched'
import { hear } from '../../data/tabs'

/** What is not to be forgotten today; without a connection as it was last. */
export function useNotes(person: string) {
  const notes = shallowRef<z.infer<(typeof readToday)['answer']>>({ came: [], followUps: [], running: [] })
  const load = () =>
    fetchOrKept(person, 'today:notes', readToday).then(
      ({ value }) => (notes.value = value),
      () => undefined,
    )
  void load()
  onScopeDispose(hear(({ type }) => (type === 'again' || type === 'job') && void load()))
  return notes
}
