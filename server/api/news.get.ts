import { defineEventHandler } from 'h3'
import { ownStream } from '../areas/news/stream'

/** The stream of news of the asking organisation. */
export default defineEventHandler(async (event) => {
  const stream = await ownStream(event, (news, { who, say }) => {
    if (news.type === 'job' && news.organisation === who.organisation) say('job', { job: news.job, seq: news.seq })
    const erased = news.type === 'erased' && news.organisation === who.organisation
    if (news.type === 'again' || erased) say('again', {})
  })
  return stream.send()
})
