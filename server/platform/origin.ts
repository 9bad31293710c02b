import { getHeader, getRequestHost, type H3Event } from 'h3'
import { apiError } from './errors'

/** Requests that change nothing may come from anywhere: their answers are read by nobody else. */
const CHANGES_NOTHING = new Set(['GET', 'HEAD', 'OPTIONS'])

const isOurs = (event: H3Event, origin: string): boolean => {
  const host = getRequestHost(event, { xForwardedHost: process.env.TRUSTED_PROXY === '1' })
  return URL.canParse(origin) && new URL(origin).host === host
}

/**
 * Refuses what would change something and was sent by a page of another place. A browser says where its page is from; whatever is no
 * browser says nothing, and carries nobody's cookie.
 *
 * @throws 403
 */
export function refuseForeign(event: H3Event): void {
  if (CHANGES_NOTHING.has(event.method)) return
  const origin = getHeader(event, 'origin')
  const site = getHeader(event, 'sec-fetch-site')
  const foreign = origin === undefined ? site !== undefined && site !== 'same-origin' : !isOurs(event, origin)
  if (foreign) throw apiError(403, 'other-place')
}
