import { brotliCompressSync, gzipSync } from 'node:zlib'
import { getRequestHeader } from 'h3'
import { defineNitroPlugin } from '#imports'

/** The shell, packed once for each way: it is the same for every address. */
const packed = new Map<string, Buffer>()

function pack(way: 'br' | 'gzip', html: string): Buffer {
  const key = `${way} ${html}`
  let body = packed.get(key)
  if (!body) {
    if (packed.size > 8) packed.clear()
    packed.set(key, (body = way === 'br' ? brotliCompressSync(html) : gzipSync(html)))
  }
  return body
}

/** Pages that are not among the built files are answered with the same shell, packed where the asker can unpack it. */
export default defineNitroPlugin((nitro) => {
  nitro.hooks.hook('render:response', (response, { event }) => {
    if (typeof response.body !== 'string' || import.meta.prerender) return
    const takes = getRequestHeader(event, 'accept-encoding') ?? ''
    const way = takes.includes('br') ? 'br' : takes.includes('gzip') ? 'gzip' : undefined
    if (!way) return
    response.headers = { ...response.headers, 'content-encoding': way, vary: 'accept-encoding' }
    ;(response as { body: unknown }).body = pack(way, response.body)
  })
})
