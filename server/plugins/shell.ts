import { existsSync, readFileSync } from 'node:fs'
import { dirname, join } from 'node:path'
import { brotliCompressSync, gzipSync } from 'node:zlib'
import { getRequestHeader, setResponseHeader } from 'h3'
import { defineNitroPlugin, useRuntimeConfig } from '#imports'
import { addresses } from '../platform/addresses'
import { NOTHING, policyOf } from '../platform/policy'

interface Packed {
  policy: string
  br?: Buffer
  gzip?: Buffer
}
/** The shell, packed once for each way: it is the same for every address. */
const packed = new Map<string, Packed>()

function packedOf(html: string): Packed {
  let own = packed.get(html)
  if (!own) {
    if (packed.size > 8) packed.clear()
    packed.set(html, (own = { policy: policyOf(html) }))
  }
  return own
}

/** The shell as the build made it, which answers at the first address; none while it is being built. */
const BUILT = join(dirname(process.argv[1] ?? '.'), '../public/index.html')

/**
 * Pages that are not among the built files are answered with the same shell, packed where the asker can unpack it; every answer says what
 * may be run with it.
 */
export default defineNitroPlugin((nitro) => {
  const isPage = addresses(useRuntimeConfig().pages)
  const policy = policyOf(existsSync(BUILT) ? readFileSync(BUILT, 'utf8') : '')
  nitro.hooks.hook('request', (event) =>
    setResponseHeader(event, 'content-security-policy', event.path.startsWith('/api/') ? NOTHING : policy),
  )
  nitro.hooks.hook('render:response', (response, { event }) => {
    if (typeof response.body !== 'string' || import.meta.prerender) return
    const own = packedOf(response.body)
    const { 'x-powered-by': _, ...headers } = response.headers ?? {}
    response.headers = { ...headers, 'content-security-policy': own.policy }
    if (!isPage(event.path.split('?', 1)[0]!)) response.statusCode = 404
    const takes = getRequestHeader(event, 'accept-encoding') ?? ''
    const way = takes.includes('br') ? 'br' : takes.includes('gzip') ? 'gzip' : undefined
    if (!way) return
    response.headers = { ...response.headers, 'content-encoding': way, vary: 'accept-encoding' }
    ;(response as { body: unknown }).body = own[way] ??= (way === 'br' ? brotliCompressSync : gzipSync)(response.body)
  })
})
