import { v7 as uuidv7 } from 'uuid'
import { drawer, drawRequest } from '../../test/browser/drawn-requests'
import { heldBy, jobEvent } from '../../test/browser/place'
import { serveWith } from '../served'
import { printRows } from '../table'
import { steady } from './steady'

const REQUESTS = 20_000
const AT_ONCE = 10
const STACK = /\bat .*\.m?[jt]s:\d+|node_modules/

const MB = 1024 * 1024

/** Twenty thousand drawn requests of a fixed seed, mostly wrong ones. */
export async function malformed(): Promise<void> {
  const { ask, url, signIn, pid, stop } = await serveWith('attack', 'bare')
  const cookie = await signIn('mara@ebb.example', 'low-tide-4-pumps')
  const job = uuidv7()
  const unit = '01900000-0000-7000-8000-000000000101'
  await ask(`/api/jobs/${job}/events`, {
    events: [jobEvent({ type: 'opened', unit, complaints: ['no-fill'], words: '' })],
  })
  const draw = drawer(4711)
  const classes: Record<string, number> = {}
  let stacks = 0
  let left = REQUESTS
  let early = 0
  const one = async () => {
    while (left-- > 0) {
      const { method, address, headers, body } = drawRequest(draw, job)
      const answer = await steady(url + address, { method, headers: { ...headers, cookie }, body })
      const said = await answer.text()
      if (STACK.test(said)) stacks++
      if (answer.status >= 500) console.log(`${answer.status} ${method} ${address} ${body?.toString() ?? ''}: ${said}`)
      const kind = `${Math.floor(answer.status / 100)}xx`
      classes[kind] = (classes[kind] ?? 0) + 1
      if (left === REQUESTS / 2) early = heldBy(pid())
    }
  }
  try {
    await Promise.all(Array.from({ length: AT_ONCE }, one))
    printRows(`${REQUESTS} drawn requests`, [
      { what: 'answered 5xx', figure: classes['5xx'] ?? 0, unit: '', most: 0 },
      { what: 'answers with a stack', figure: stacks, unit: '', most: 0 },
      { what: 'memory, second half', figure: (heldBy(pid()) - early) / MB, unit: 'MB', most: 64 },
      ...Object.entries(classes).map(([kind, n]) => ({ what: `answered ${kind}`, figure: n, unit: '' })),
    ])
  } finally {
    await stop()
  }
}
