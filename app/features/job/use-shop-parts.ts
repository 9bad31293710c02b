import { computed, shallowRef } from 'vue'
import type { z } from 'zod'
import { minorUnits } from '../../../core/words'
import { partsForJob } from '../../../shared/contracts/parts'
import { fetchOrKept } from '../../data/fetched'
import type { JobContext } from './use-job-context'

/** One part that a repair of this machine takes, as the shop has it. */
export type ShopPart = z.infer<(typeof partsForJob)['answer']>['parts'][number]

/** What the shop has of what the repairs of this machine take; without a connection as it was last. */
export function useShopParts({ id, person }: Pick<JobContext, 'id' | 'person'>) {
  const parts = shallowRef<ShopPart[]>([])
  // A shop that cannot be asked has no prices of its own: the sheet's count.
  void fetchOrKept(person.id, `parts:${id}`, partsForJob, { params: { id } }).then(
    ({ value }) => (parts.value = value.parts),
    () => undefined,
  )
  /** By repair, in units of the currency. */
  const prices = computed(() =>
    Object.fromEntries(
      parts.value.flatMap(({ repair, part: { priceMinor } }) =>
        priceMinor === null ? [] : [[repair, priceMinor / minorUnits(person.currency)]],
      ),
    ),
  )
  return { parts, prices }
}
