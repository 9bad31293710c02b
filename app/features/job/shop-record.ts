import { readShopRecord } from '../../../shared/contracts/jobs'
import type { ShopRecord } from '../../../core/statistics'
import { fetchOrKept } from '../../data/fetched'

/** Longest that a job waits for what the shop has seen of such machines, ms: its advice does without. */
const PATIENCE = 4000

/** What the shop had seen of such machines when a job came; without a connection what this device has kept of it. */
export const shopRecordOf = (person: string, job: string): Promise<ShopRecord | undefined> =>
  fetchOrKept(person, `record:${job}`, readShopRecord, { params: { id: job }, patience: PATIENCE }).then(
    ({ value }) => value,
    () => undefined,
  )
