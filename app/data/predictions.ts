import { readPredictions } from '../../shared/contracts/sheets'
import { deviceDatabase } from './database'
import { call } from './http'

/** Sets of predictions that a device keeps; the oldest goes. */
const MOST_KEPT = 40

/** What predictions are of: a revision, the state of the engine, and what a job has besides. */
export interface PredictionsKey {
  revision: string
  engine: string
  /** What the shop's readings of good parts, and the complaints, move; empty for the revision as it stands. */
  basis: string
}
const nameOf = ({ revision, engine, basis }: PredictionsKey): string => `${engine} ${revision} ${basis}`

/** Predictions that this device has; `undefined` where it has none. */
export async function keptPredictions(key: PredictionsKey): Promise<Uint8Array | undefined> {
  const kept = await deviceDatabase()
    .predictions.get(nameOf(key))
    .catch(() => undefined)
  return kept?.bytes
}

/** Keeps predictions for the next time; a device that cannot computes them again. */
export async function keepPredictions(key: PredictionsKey, bytes: Uint8Array): Promise<void> {
  const { predictions } = deviceDatabase()
  await predictions
    .put({ name: nameOf(key), at: Date.now(), bytes })
    .then(async () => {
      const over = (await predictions.count()) - MOST_KEPT
      if (over > 0) await predictions.bulkDelete(await predictions.orderBy('at').limit(over).primaryKeys())
    })
    .catch(() => undefined)
}

/** Lets predictions go that could not be read. */
export const dropPredictions = (key: PredictionsKey): Promise<void> =>
  deviceDatabase()
    .predictions.delete(nameOf(key))
    .catch(() => undefined)

/** Predictions of a revision as it stands: from this device, else from the server; `undefined` where neither has them. */
export async function predictionsOf(key: Omit<PredictionsKey, 'basis'>): Promise<Uint8Array | undefined> {
  const own = { ...key, basis: '' }
  const kept = await keptPredictions(own)
  if (kept) return kept
  try {
    const bytes = await call(readPredictions, { params: key })
    await keepPredictions(own, bytes)
    return bytes
  } catch {
    return undefined
  }
}
