import type { z } from 'zod'
import type { Contract } from '../../shared/contracts/contract'
import { deviceDatabase } from './database'
import { ApiError, call, type Call } from './http'

/**
 * What the server answers, kept on the device; without a connection what was kept last.
 *
 * @param name under which it is kept
 */
export async function fetchOrKept<C extends Contract>(
  person: string,
  name: string,
  contract: C,
  asked: Call<C> = {},
): Promise<{ value: z.infer<C['answer']>; fresh: boolean }> {
  try {
    const value = await call(contract, asked)
    await deviceDatabase()
      .lists.put({ person, name, value })
      .catch(() => undefined)
    return { value, fresh: true }
  } catch (error) {
    if (!(error instanceof ApiError) || !error.transient) throw error
    const kept = await deviceDatabase()
      .lists.get([person, name])
      .catch(() => undefined)
    if (!kept) throw error
    return { value: kept.value as z.infer<C['answer']>, fresh: false }
  }
}
