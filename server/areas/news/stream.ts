import { createEventStream, type H3Event } from 'h3'
import type { Person } from '../../../shared/contracts/session'
import { withDatabase } from '../../platform/database'
import { apiError } from '../../platform/errors'
import { sessionOf } from '../session/service'
import { subscribe, type News } from './service'

/** Says that the line is alive, ms. */
const ALIVE_EVERY = 20_000
/** The same where silence is news. */
export const ALIVE_OFTEN = 2500

export interface OwnStream {
  who: Person
  say(name: string, data: object, id?: string): void
  close(): void
  /** Called when the asker has gone or the stream has been ended. */
  onClosed(close: () => void): void
  /** To be returned by the route. */
  send(): Promise<void>
}

/**
 * A stream of server-sent events of the asking person; it ends with the session.
 *
 * @param hears news, where the stream is about them
 */
export async function ownStream(
  event: H3Event,
  hears?: (news: News, own: OwnStream) => void,
  aliveEvery = ALIVE_EVERY,
): Promise<OwnStream> {
  const asking = await withDatabase(() => sessionOf(event))
  if (!asking) throw apiError(401, 'not-signed-in')
  const stream = createEventStream(event)
  const own: OwnStream = {
    who: asking.person,
    say: (name, data, id) =>
      // Whoever has gone hears nothing more.
      void stream
        .push({ event: name, data: JSON.stringify(data), ...(id === undefined ? {} : { id }) })
        .catch(() => undefined),
    close: () => {
      over()
      void stream.close()
    },
    onClosed: (close) => stream.onClosed(close),
    send: () => stream.send(),
  }
  const leave = subscribe((news) => {
    hears?.(news, own)
    if (news.type === 'stopping') void stream.close()
    if (news.type === 'ended' && news.session === asking.session) {
      own.say('ended', {})
      setTimeout(() => void stream.close(), 50)
    }
  })
  const alive = setInterval(() => own.say('alive', {}), aliveEvery)
  const over = () => {
    clearInterval(alive)
    leave()
  }
  stream.onClosed(over)
  own.say('alive', {})
  return own
}
