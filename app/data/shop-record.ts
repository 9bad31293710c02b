import { readShopRecord, readShopRecordNow } from '../../shared/contracts/jobs'
import type { ShopRecord } from '../../core/statistics'
import { keep, keptAs, keptOrFetch } from './fetched'
import { ApiError, call } from './http'
import { countsShopIn } from './shop-switch'

/** Longest that a job waits for what the shop has seen of such machines, ms: its advice does without. */
const PATIENCE = 4000
/** A job that was begun a moment ago may still be on its way to the server: it is asked for again after this time, ms. */
const AGAIN_AFTER = 300
/** Longest that a call waits for the same: its job can ask for it itself, ms. */
const PATIENCE_NOW = 1500

const recordOf = (job: string): string => `record:${job}`
const toldOf = (job: string): string => `told:${job}`

/**
 * What the shop had seen of such machines when a job came. That stays what it was: once on this device it is not asked for again.
 * Where it was asked for while the call was told, that serves until the job is opened anew: a job that somebody closed in
 * between is not in it.
 */
export async function shopRecordOf(person: string, job: string): Promise<ShopRecord | undefined> {
  if (!countsShopIn()) return undefined
  const [own, told] = await Promise.all([keptAs(person, recordOf(job)), keptAs(person, toldOf(job))])
  if (own) return own as ShopRecord
  const asked = recordFromServer(person, job)
  return (told as ShopRecord | undefined) ?? asked
}

async function recordFromServer(person: string, job: string): Promise<ShopRecord | undefined> {
  const until = Date.now() + PATIENCE
  for (;;) {
    try {
      return await keptOrFetch(person, recordOf(job), readShopRecord, { params: { id: job }, patience: PATIENCE })
    } catch (error) {
      const isOnItsWay = error instanceof ApiError && error.status === 404 && Date.now() < until
      if (!isOnItsWay) return undefined
      await new Promise((go) => setTimeout(go, AGAIN_AFTER))
    }
  }
}

/** What the shop has seen up to now of machines like a unit; `undefined` where that is not to be had soon. */
export const shopRecordNow = async (unit: string): Promise<ShopRecord | undefined> =>
  countsShopIn()
    ? call(readShopRecordNow, { params: { id: unit }, patience: PATIENCE_NOW }).catch(() => undefined)
    : undefined

/** A job that is begun on this device builds on what was asked for its unit while the call was told. */
export const keepRecord = (person: string, job: string, record: ShopRecord): Promise<void> =>
  keep(person, toldOf(job), record)
