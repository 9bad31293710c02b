import { readShopRecord } from '../../../shared/contracts/jobs'
import type { ShopRecord } from '../../../core/statistics'
import { keptOrFetch } from '../../data/fetched'
import { ApiError } from '../../data/http'

/** Longest that a job waits for what the shop has seen of such machines, ms: its advice does without. */
const PATIENCE = 4000
/** A job that was begun a moment ago may still be on its way to the server: it is asked for again after this time, ms. */
const AGAIN_AFTER = 300

/** What the shop had seen of such machines when a job came. That stays what it was: once on this device it is not asked for again. */
export async function shopRecordOf(person: string, job: string): Promise<ShopRecord | undefined> {
  const until = Date.now() + PATIENCE
  for (;;) {
    try {
      return await keptOrFetch(person, `record:${job}`, readShopRecord, { params: { id: job }, patience: PATIENCE })
    } catch (error) {
      const isOnItsWay = error instanceof ApiError && error.status === 404 && Date.now() < until
      if (!isOnItsWay) return undefined
      await new Promise((go) => setTimeout(go, AGAIN_AFTER))
    }
  }
}
