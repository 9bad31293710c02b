import { promisify } from 'node:util'
import { gzip, gzipSync } from 'node:zlib'
import {
  defineEventHandler,
  getHeader,
  getQuery,
  getRequestHeader,
  getRouterParams,
  setResponseHeader,
  setResponseStatus,
  type EventHandler,
  type H3Event,
} from 'h3'
import type { z } from 'zod'
import { CONTRACT_HEADER, CONTRACT_VERSION, PERSON_HEADER, type Contract } from '../../shared/contracts/contract'
import type { Person } from '../../shared/contracts/session'
import { requireUser } from '../areas/session/service'
import { withDatabase } from './database'
import { apiError, parsePart } from './errors'
import { fileOf, jsonOf } from './body'
import { inTime } from './in-time'
import { refuseForeign } from './origin'

export interface Asked<C extends Contract> {
  /** Who asks; only where the contract names roles. */
  who: Person
  params: z.infer<C['params']>
  query: z.infer<C['query']>
  body: z.infer<C['body']>
  /** What was sent, where the contract takes a file. */
  file: Uint8Array | undefined
  event: H3Event
}

/** How long an answer may take, ms: less than a page waits for one. What carries a file is given as long as its line needs. */
const LONGEST = { json: 18_000, file: 120_000 } as const

/** Answers below this many characters are sent as they are, above the other packed by another thread. */
const WORTH_PACKING = 1024
const WORTH_A_THREAD = 64 * 1024
const zip = promisify(gzip)

/** Sends JSON, packed where the asker can unpack it. */
async function sendJson(event: H3Event, answer: unknown): Promise<Buffer | string> {
  const text = JSON.stringify(answer)
  setResponseHeader(event, 'content-type', 'application/json; charset=utf-8')
  if (!event.node.res.hasHeader('cache-control')) setResponseHeader(event, 'cache-control', 'no-store')
  if (text.length < WORTH_PACKING) return text
  if (!getRequestHeader(event, 'accept-encoding')?.includes('gzip')) return text
  setResponseHeader(event, 'vary', 'accept-encoding')
  setResponseHeader(event, 'content-encoding', 'gzip')
  return text.length < WORTH_A_THREAD ? gzipSync(text, { level: 1 }) : zip(text)
}

/** Sends a file; most never change under their address. */
function sendFile(event: H3Event, bytes: Uint8Array, { type, changes }: NonNullable<Contract['file']>): Buffer {
  setResponseHeader(event, 'content-type', type)
  setResponseHeader(event, 'cache-control', changes ? 'no-store' : 'private, max-age=31536000, immutable')
  return Buffer.from(bytes.buffer, bytes.byteOffset, bytes.byteLength)
}

function checkVersion(event: H3Event): void {
  const version = getHeader(event, CONTRACT_HEADER)
  if (version !== undefined && Number(version) < CONTRACT_VERSION) throw apiError(426, 'too-old')
}

/**
 * A route from its contract: parses, asks who it is, calls one service, answers. Nothing else stands in a route.
 */
export function route<C extends Contract>(
  contract: C,
  serve: (asked: Asked<C>) => Promise<z.input<C['answer']>>,
  status = 200,
): EventHandler {
  return defineEventHandler(async (event) => {
    checkVersion(event)
    refuseForeign(event)
    const work = withDatabase(async () => {
      let who: Person | undefined
      if (contract.roles !== 'anyone') {
        who = await requireUser(event)
        const meant = getHeader(event, PERSON_HEADER)
        if (meant !== undefined && meant !== who.id) throw apiError(403, 'other-person')
        if (!contract.roles.includes(who.role)) throw apiError(403, 'not-your-role')
      }
      const params = parsePart(contract.params, getRouterParams(event, { decode: true }))
      const query = parsePart(contract.query, getQuery(event))
      const { file } = contract
      const sends = contract.method !== 'GET'
      const known = who !== undefined
      const body =
        sends && !file ? parsePart(contract.body, await jsonOf(event, { known, most: contract.most })) : undefined
      const bytes = sends && file ? await fileOf(event, file) : undefined
      const answer = await serve({ who: who!, params, query, body, file: bytes, event } as Asked<C>)
      setResponseStatus(event, status)
      return file && !sends ? sendFile(event, answer as Uint8Array, file) : sendJson(event, answer)
    })
    return inTime(contract.file ? LONGEST.file : LONGEST.json, work, () => apiError(503, 'takes-too-long'))
  })
}
