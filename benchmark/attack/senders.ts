import { v7 as uuidv7 } from 'uuid'
import { jobEvent } from '../../test/browser/place'
import { serveWith } from '../served'
import { againstIdle, manyAtOnce } from './against-idle'
import { steady } from './steady'

const SENDERS = 60
const UNIT = '01900000-0000-7000-8000-000000000101'
const PATHS = ['/api/jobs', '/api/today', '/api/units']

/** Sixty write to one job without a pause, half of it what needs the job to itself; somebody of another shop works. */
export async function senders(): Promise<void> {
  const { ask, url, signIn, stop } = await serveWith('attack', 'jobs')
  const [mara, ivo] = [
    await signIn('mara@ebb.example', 'low-tide-4-pumps'),
    await signIn('ivo@lantern.example', 'lamp-post-7-keys'),
  ]
  const job = uuidv7()
  await ask(`/api/jobs/${job}/events`, {
    events: [jobEvent({ type: 'opened', unit: UNIT, complaints: ['no-fill'], words: '' })],
  })
  const write = manyAtOnce(SENDERS, async (who, i) => {
    const payload =
      (who + i) % 2 ? { type: 'note', text: `${i}` } : { type: 'said', complaints: ['no-fill'], words: `${i}` }
    const answer = await steady(`${url}/api/jobs/${job}/events`, {
      method: 'POST',
      headers: { 'content-type': 'application/json', cookie: mara },
      body: JSON.stringify({ events: [jobEvent(payload)] }),
    })
    await answer.arrayBuffer()
    return answer.status
  })
  const once = async (i: number) => {
    const answer = await steady(`${url}${PATHS[i % PATHS.length]}`, { headers: { cookie: ivo } })
    if (!answer.ok) throw new Error(`${answer.status}`)
    await answer.arrayBuffer()
  }
  try {
    await againstIdle(`${SENDERS} senders on one job, somebody of another shop`, once, write)
  } finally {
    await stop()
  }
}
