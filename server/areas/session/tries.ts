import { RateLimiterPostgres, type RateLimiterRes } from 'rate-limiter-flexible'
import { database } from '../../platform/database'
import { apiError } from '../../platform/errors'

const TRIES = 5
const MINUTES = 15

let limiter: RateLimiterPostgres | undefined
const tries = (): RateLimiterPostgres =>
  (limiter ??= new RateLimiterPostgres({
    storeClient: database(),
    storeType: 'sequelize',
    tableName: 'sign_in_tries',
    tableCreated: true,
    keyPrefix: '',
    points: TRIES,
    duration: MINUTES * 60,
  }))

/** Counts a failed sign-in and refuses when there have been too many for this name and address. */
export async function countFailure(key: string): Promise<void> {
  await tries()
    .consume(key)
    .catch((r: RateLimiterRes | Error) => {
      if (r instanceof Error) throw r
    })
}

export async function refuseIfTooMany(key: string): Promise<void> {
  const now = await tries().get(key)
  if (now && now.consumedPoints >= TRIES)
    throw apiError(429, 'too-many-tries', `${Math.ceil(now.msBeforeNext / 60000)}`)
}

export const forgetFailures = (key: string) => tries().delete(key)
