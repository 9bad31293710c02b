import { serveWith } from '../served'
import { againstIdle, manyAtOnce } from './against-idle'
import { steady } from './steady'

const STRANGERS = 100
/** What somebody who works asks for meanwhile. */
const PATHS = ['/api/jobs', '/api/today', '/api/units', '/api/people']

/** A hundred strangers guess one after the other, each for another name. */
export async function strangers(): Promise<void> {
  const { ask, url, stop } = await serveWith('attack', 'jobs')
  const guess = manyAtOnce(STRANGERS, async (who, i) => {
    const answer = await steady(`${url}/api/session`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ email: `stranger-${who}-${i}@ebb.example`, password: `guess ${i}` }),
    })
    await answer.arrayBuffer()
    return answer.status
  })
  try {
    await againstIdle(`${STRANGERS} strangers at the sign-in`, (i) => ask(PATHS[i % PATHS.length]!), guess)
  } finally {
    await stop()
  }
}
