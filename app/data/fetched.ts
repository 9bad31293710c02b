import type { z } from 'zod'
import type { Contract } from '../../shared/contracts/contract'
import { deviceDatabase } from './database'
import { ApiError, call, type Call } from './http'

/** What is kept under a name; `undefined` where nothing is. */
export const keptAs = (person: string, name: string): Promise<unknown> =>
  deviceDatabase()
    .lists.get([person, name])
    .then(
      (kept) => kept?.value,
      () => undefined,
    )

/** Keeps what the server answered; a device that cannot asks for it again. */
export const keep = (person: string, name: string, value: unknown): Promise<void> =>
  deviceDatabase()
    .lists.put({ person, name, value })
    .then(
      () => undefined,
      () => undefined,
    )

/**
 * What the server once answered, from the device where it is there: for what does not change.
 *
 * @param name under which it is kept
 */
export async function keptOrFetch<C extends Contract>(
  person: string,
  name: string,
  contract: C,
  asked: Call<C> = {},
): Promise<z.infer<C['answer']>> {
  const kept = await keptAs(person, name)
  return kept === undefined ? (await fetchOrKept(person, name, contract, asked)).value : (kept as z.infer<C['answer']>)
}

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
    await keep(person, name, value)
    return { value, fresh: true }
  } catch (error) {
    if (!(error instanceof ApiError) || !error.transient) throw error
    const kept = await keptAs(person, name)
    if (kept === undefined) throw error
    return { value: kept as z.infer<C['answer']>, fresh: false }
  }
}
