import { v7 as uuidv7 } from 'uuid'
import { jobEvent } from '../../test/browser/place'
import { serveWith } from '../served'
import { printRows } from '../table'
import { quantile } from '../time-jobs'
import { steady } from './steady'

const JOBS = 1000
const CONNECTIONS = 100
const PASSES = 3

/** A thousand open jobs, ten to each of a hundred who each hear the news, read and write. */
export async function many(): Promise<void> {
  const { url, signIn, stop } = await serveWith('attack', 'bare')
  const cookie = await signIn('mara@ebb.example', 'low-tide-4-pumps')
  const unit = '01900000-0000-7000-8000-000000000101'
  const answers: Record<string, number> = {}
  const times: number[] = []
  const away = new AbortController()
  const send = async (path: string, body?: unknown) => {
    const start = performance.now()
    const answer = await steady(url + path, {
      method: body === undefined ? 'GET' : 'POST',
      headers: { cookie, ...(body === undefined ? {} : { 'content-type': 'application/json' }) },
      ...(body === undefined ? {} : { body: JSON.stringify(body) }),
    })
    await answer.arrayBuffer()
    times.push(performance.now() - start)
    answers[answer.status] = (answers[answer.status] ?? 0) + 1
  }
  const append = (job: string, payload: object) => send(`/api/jobs/${job}/events`, { events: [jobEvent(payload)] })
  try {
    await Promise.all(
      Array.from({ length: CONNECTIONS }, async () => {
        const news = await fetch(`${url}/api/news`, { headers: { cookie }, signal: away.signal })
        if (news.status !== 200) answers[news.status] = (answers[news.status] ?? 0) + 1
        const jobs = Array.from({ length: JOBS / CONNECTIONS }, () => uuidv7())
        for (const job of jobs) await append(job, { type: 'opened', unit, complaints: ['no-fill'], words: '' })
        for (let pass = 0; pass < PASSES; pass++)
          for (const job of jobs) {
            await append(job, { type: 'note', text: 'x' })
            await send(`/api/jobs/${job}`)
          }
      }),
    )
    printRows(`${JOBS} open jobs, ${CONNECTIONS} connections`, [
      { what: 'answered 503', figure: answers['503'] ?? 0, unit: '', most: 0 },
      { what: 'p95 of an answer', figure: quantile(times, 0.95), unit: 'ms' },
      ...Object.entries(answers).map(([status, n]) => ({ what: `answered ${status}`, figure: n, unit: '' })),
    ])
  } finally {
    away.abort()
    await stop()
  }
}
