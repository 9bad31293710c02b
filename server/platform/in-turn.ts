import { apiError } from './errors'

/** More than this wait for nothing that a person does. */
const MOST_WAITING = 200
/** s */
const COME_BACK = 2

const turns = new Map<string, { last: Promise<unknown>; waiting: number }>()

/**
 * Does work on one thing one after the other in this process, so that many who want the same thing hold one connection between them and
 * leave the others to everybody else.
 *
 * @param thing what it is done on, by its id
 * @throws 429 where too many wait already; otherwise whatever the work throws
 */
export async function inTurn<T>(thing: string, work: () => Promise<T>): Promise<T> {
  const turn = turns.get(thing) ?? { last: Promise.resolve(), waiting: 0 }
  if (turn.waiting >= MOST_WAITING) throw apiError(429, 'many-at-once', undefined, undefined, COME_BACK)
  turns.set(thing, turn)
  turn.waiting++
  const own = turn.last.then(work)
  turn.last = own.catch(() => undefined)
  try {
    return await own
  } finally {
    if (--turn.waiting === 0) turns.delete(thing)
  }
}
