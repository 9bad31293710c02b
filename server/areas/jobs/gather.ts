/** Most calls that share one piece of work. */
const MOST = 50

/**
 * Calls that come while others are under way share the next piece of work: one statement where there would be one
 * each. With nothing under way a call goes at once.
 *
 * @param work takes what was gathered and answers each, in that order
 * @param underWay pieces of work at a time
 */
export function gather<T, A>(work: (asked: T[]) => Promise<A[]>, underWay: number): (asked: T) => Promise<A> {
  const waiting: { asked: T; resolve: (answer: A) => void; reject: (error: unknown) => void }[] = []
  let running = 0
  async function run(): Promise<void> {
    running++
    // Whatever arrives in the same turn of the loop goes along.
    await new Promise((go) => setImmediate(go))
    const own = waiting.splice(0, MOST)
    try {
      const answers = own.length ? await work(own.map((o) => o.asked)) : []
      own.forEach((o, i) => o.resolve(answers[i]!))
    } catch (error) {
      for (const o of own) o.reject(error)
    }
    running--
    if (waiting.length && running < underWay) void run()
  }
  return (asked) =>
    new Promise((resolve, reject) => {
      waiting.push({ asked, resolve, reject })
      if (running < underWay) void run()
    })
}
