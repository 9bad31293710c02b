import { getHeader, type H3Event } from 'h3'
import { apiError } from './errors'

/** Largest body that is taken, bytes. */
const LARGEST_BODY = 1_000_000

/** Refuses a body that says it is too large, or does not say how large it is. */
export function refuseTooLarge(event: H3Event, most = LARGEST_BODY): void {
  const length = getHeader(event, 'content-length')
  const chunked = getHeader(event, 'transfer-encoding') !== undefined
  if (chunked || Number(length ?? 0) > most) throw apiError(413, 'too-large')
}
