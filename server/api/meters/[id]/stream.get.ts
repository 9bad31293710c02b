import { defineEventHandler, getHeader, getQuery, getRouterParams } from 'h3'
import { idParam } from '../../../../shared/contracts/contract'
import { streamQuery } from '../../../../shared/contracts/meters'
import { watchMeter } from '../../../areas/meters/service'
import { ALIVE_OFTEN, ownStream } from '../../../areas/news/stream'
import { withDatabase } from '../../../platform/database'
import { parsePart } from '../../../platform/errors'

/** What a browser saw last: the link and the number of its reading. */
function seen(header: string | undefined): { link: string; n: number } | undefined {
  const found = /^([\da-f-]{36})\.(\d{1,12})$/.exec(header ?? '')
  return found ? { link: found[1]!, n: Number(found[2]) } : undefined
}

/** The stream of one meter. */
export default defineEventHandler(async (event) => {
  const { id } = parsePart(idParam, getRouterParams(event, { decode: true }))
  const asked = parsePart(streamQuery, getQuery(event))
  const stream = await ownStream(event, undefined, ALIVE_OFTEN)
  const after = seen(getHeader(event, 'last-event-id'))
  const leave = await withDatabase(() =>
    watchMeter(stream.who, id, asked, after, (news) => {
      if (news.type === 'reading') stream.say('reading', news.reading, `${news.reading.link}.${news.reading.n}`)
      if (news.type === 'state') stream.say('state', news.state)
      if (news.type === 'over') stream.close()
      if (news.type === 'nonsense') stream.say('nonsense', { text: news.text })
    }),
  ).catch((error: unknown) => {
    stream.close()
    throw error
  })
  stream.onClosed(leave)
  return stream.send()
})
