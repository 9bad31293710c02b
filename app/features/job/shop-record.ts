import { readShopRecord } from '../../../shared/contracts/jobs'
import type { ShopRecord } from '../../../core/statistics'
import { keptOrFetch } from '../../data/fetched'

/** Longest that a job waits for what the shop has seen of such machines, ms: its advice does without. */
const PATIENCE = 4000

/** What the shop had seen of such machines when a job came. That stays what it was: once on this device it is not asked for again. */
export const shopRecordOf = (person: string, job: string): Promise<ShopRecord | undefined> =>
  keptOrFetch(person, `record:${job}`, readShopRecord, { params: { id: job }, patience: PATIENCE }).catch(
    () => undefined,
  )
