import { getHeader, type H3Event } from 'h3'
import { apiError } from './errors'

/** Largest body that is taken where the contract says nothing, bytes: of somebody who is signed in, and of anybody. */
const LARGEST = { known: 64_000, anybody: 4_000 } as const
/** JSON that nests deeper is no request of ours. */
const DEEPEST = 40
/** A body takes no longer to arrive, ms: a cellar has a thin line. */
const LONGEST_ARRIVAL = 120_000
/** What is not wanted is let run out for so long, so that its sender hears why, ms. */
const RUNS_OUT = 5000

const QUOTE = 0x22
const BACKSLASH = 0x5c
const OPENS = new Set([0x5b, 0x7b])
const CLOSES = new Set([0x5d, 0x7d])

/** Whether a text of JSON nests deeper than so many brackets. */
export function nestsDeeper(text: string, most: number): boolean {
  let depth = 0
  for (let i = 0; i < text.length; i++) {
    const c = text.charCodeAt(i)
    if (c === QUOTE) {
      for (i++; i < text.length && text.charCodeAt(i) !== QUOTE; i++) if (text.charCodeAt(i) === BACKSLASH) i++
    } else if (OPENS.has(c)) {
      if (++depth > most) return true
    } else if (CLOSES.has(c)) depth--
  }
  return false
}

/** Nobody reads on: what still comes is thrown away, and not for long. */
function tooLarge({ node: { req } }: H3Event) {
  req.resume()
  setTimeout(() => req.complete || req.destroy(), RUNS_OUT).unref()
  return apiError(413, 'too-large')
}

/**
 * The body of a request, refused as soon as more comes than is taken: never more than that is held.
 *
 * @throws 413 above `most` bytes, 408 where it does not come to its end
 */
function bytesOf(event: H3Event, most: number): Promise<Buffer> {
  const { req } = event.node
  if (Number(getHeader(event, 'content-length') ?? 0) > most) throw tooLarge(event)
  // Who has gone meanwhile sends nothing more, and nothing says so any more.
  if (req.destroyed && !req.complete) throw apiError(408, 'cut-short')
  return new Promise((resolve, reject) => {
    const chunks: Buffer[] = []
    let size = 0
    const end = (settle: () => void) => {
      clearTimeout(timer)
      req.off('data', take).off('end', whole).off('close', broken).off('error', broken)
      settle()
    }
    const take = (chunk: Buffer) => {
      size += chunk.length
      if (size > most) end(() => reject(tooLarge(event)))
      else chunks.push(chunk)
    }
    const whole = () => end(() => resolve(Buffer.concat(chunks)))
    const broken = () => end(() => reject(apiError(408, 'cut-short')))
    const timer = setTimeout(broken, LONGEST_ARRIVAL)
    req.on('data', take).on('end', whole).on('close', broken).on('error', broken)
  })
}

/** What a body says as JSON; `undefined` where there is none. @param most bytes; where left out by whether the sender is `known` */
export async function jsonOf(event: H3Event, { known, most }: { known: boolean; most?: number }): Promise<unknown> {
  const raw = await bytesOf(event, most ?? (known ? LARGEST.known : LARGEST.anybody))
  if (!raw.length) return undefined
  if (!(getHeader(event, 'content-type') ?? '').startsWith('application/json')) throw apiError(415, 'not-json')
  const text = raw.toString('utf8')
  if (nestsDeeper(text, DEEPEST)) throw apiError(400, 'not-json')
  try {
    return JSON.parse(text)
  } catch {
    throw apiError(400, 'not-json')
  }
}

/** The file that a request carries. */
export async function fileOf(event: H3Event, { type, most }: { type: string; most: number }): Promise<Uint8Array> {
  if (getHeader(event, 'content-type') !== type) throw apiError(415, 'wrong-type')
  return bytesOf(event, most)
}
