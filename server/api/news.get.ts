import { createEventStream, defineEventHandler } from 'h3'
import { subscribe } from '../areas/news/service'
import { sessionOf } from '../areas/session/service'
import { withDatabase } from '../platform/database'
import { apiError } from '../platform/errors'

/** Says that the line is alive, ms. */
const ALIVE_EVERY = 20_000

/** The stream of news of the asking organisation; it ends with the session. */
export default defineEventHandler(async (event) => {
  const own = await withDatabase(() => sessionOf(event))
  if (!own) throw apiError(401, 'not-signed-in')
  const stream = createEventStream(event)
  const say = (name: string, data: object) => void stream.push({ event: name, data: JSON.stringify(data) })
  const leave = subscribe((news) => {
    if (news.type === 'job' && news.organisation === own.person.organisation)
      say('job', { job: news.job, seq: news.seq })
    if (news.type === 'again') say('again', {})
    if (news.type === 'stopping') void stream.close()
    if (news.type === 'ended' && news.session === own.session) {
      say('ended', {})
      setTimeout(() => void stream.close(), 50)
    }
  })
  const alive = setInterval(() => say('alive', {}), ALIVE_EVERY)
  stream.onClosed(() => {
    clearInterval(alive)
    leave()
  })
  say('alive', {})
  return stream.send()
})
