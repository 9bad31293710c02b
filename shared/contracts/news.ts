import { z } from 'zod'
import { id } from './contract'

/** A stream, not an answer: server-sent events, `job` with this as data, `again` after a gap, `ended` at sign-out. */
export const NEWS_PATH = '/api/news'

export const jobNews = z.object({ job: id, seq: z.int() })
export type JobNews = z.infer<typeof jobNews>
