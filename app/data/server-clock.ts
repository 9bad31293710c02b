import { readLive } from '../../shared/contracts/health'

/** A server says its time to the whole second: the middle of it is as good a guess as any, ms. */
const HALF_A_SECOND = 500
/** Whoever does not answer at once tells no time, ms. */
const PATIENCE = 4000

/** What this device's clock is off from the server's, ms, positive when it is fast; `undefined` without a connection. */
export async function measureClock(): Promise<number | undefined> {
  try {
    const before = Date.now()
    const { headers } = await fetch(readLive.path, { cache: 'no-store', signal: AbortSignal.timeout(PATIENCE) })
    const stated = Date.parse(headers.get('date') ?? '')
    return Number.isNaN(stated) ? undefined : (before + Date.now()) / 2 - (stated + HALF_A_SECOND)
  } catch {
    return undefined
  }
}
