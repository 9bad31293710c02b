import { setTimeout as sleep } from 'node:timers/promises'
import { LRUCache } from 'lru-cache'
import { RateLimiterPostgres, type RateLimiterRes } from 'rate-limiter-flexible'
import { database } from '../../platform/database'
import { apiError } from '../../platform/errors'

/** Who tries to sign in: the account by its address for mail, from where, and on which device where the account has been before. */
export interface Try {
  account: string
  address: string
  device: string | undefined
}

/**
 * Wrong passwords within a quarter of an hour. An account is guessed at from anywhere so often at most; a device on which it signed in
 * before is counted by itself, so that a stranger who guesses locks nobody out of a place where they work.
 */
const LIMITS = { pair: 5, device: 5, account: 40, address: 100 } as const
const SECONDS = 15 * 60
type Kind = keyof typeof LIMITS

const limiters = new Map<Kind, RateLimiterPostgres>()
function limiter(kind: Kind): RateLimiterPostgres {
  let own = limiters.get(kind)
  if (!own) {
    own = new RateLimiterPostgres({
      storeClient: database(),
      storeType: 'sequelize',
      tableName: 'sign_in_tries',
      tableCreated: true,
      keyPrefix: kind,
      points: LIMITS[kind],
      duration: SECONDS,
      inMemoryBlockOnConsumed: LIMITS[kind] + 1,
      inMemoryBlockDuration: 60,
    })
    limiters.set(kind, own)
  }
  return own
}

/** The narrowest first: what it refuses is not counted against the others. */
const countsOf = ({ account, address, device }: Try): [Kind, string][] =>
  device === undefined
    ? [
        ['pair', `${account}|${address}`],
        ['account', account],
        ['address', address],
      ]
    : [['device', `${account}|${device}`]]

/** Addresses that are over their limit, with when they may come back: a flood from there reaches no database. */
const turnedAway = new LRUCache<string, number>({ max: 10_000, ttl: 60_000 })

const tooMany = (seconds: number) => apiError(429, 'too-many-tries', `${Math.ceil(seconds / 60)}`, undefined, seconds)

/** Who is refused hears it so much later, ms: whoever guesses without a pause gets one. So many wait for that, and no more. */
const HEARS_AFTER = 1000
const MOST_HELD = 500
let held = 0

/** @throws 429 after a while */
async function turnAway(seconds: number): Promise<never> {
  if (held < MOST_HELD) {
    held++
    await sleep(HEARS_AFTER)
    held--
  }
  throw tooMany(seconds)
}

/** Refuses an address that was refused a moment ago, before anything is asked of the database. @throws 429 */
export async function refuseTurnedAway(address: string): Promise<void> {
  const seconds = turnedAway.get(address)
  if (seconds !== undefined) await turnAway(seconds)
}

/**
 * Counts a try before it is judged, so that many at once are not all judged.
 *
 * @throws 429 with when it may be tried again
 */
export async function countTry(who: Try): Promise<void> {
  for (const [kind, key] of countsOf(who)) {
    try {
      await limiter(kind).consume(key)
    } catch (refusal) {
      if (refusal instanceof Error) throw refusal
      const seconds = Math.max(1, Math.ceil((refusal as RateLimiterRes).msBeforeNext / 1000))
      if (kind === 'address') turnedAway.set(key, seconds)
      await turnAway(seconds)
    }
  }
}

/** The try was right: it does not count, and the wrong ones of before from there count no more. */
export async function forgiveTry(who: Try): Promise<void> {
  for (const [kind, key] of countsOf(who))
    await (kind === 'pair' || kind === 'device' ? limiter(kind).delete(key) : limiter(kind).reward(key))
}
