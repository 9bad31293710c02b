/**
 * Waits for work so long and no longer: it goes on where it is not done by then, and nobody waits for it.
 *
 * @param most ms
 * @param late what is thrown then
 */
export function inTime<T>(most: number, work: Promise<T>, late: () => Error): Promise<T> {
  let timer: NodeJS.Timeout | undefined
  const over = new Promise<never>((_, reject) => {
    timer = setTimeout(() => reject(late()), most)
  })
  // What fails when nobody waits any more is nobody's.
  work.catch(() => undefined)
  return Promise.race([work, over]).finally(() => clearTimeout(timer))
}
