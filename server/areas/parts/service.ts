import type { Transaction } from 'sequelize'
import type { z } from 'zod'
import type { Payload } from '../../../core/job'
import { standsInBy } from '../../../core/stock'
import type { moveStock as moveContract, Part, PartFields, Store } from '../../../shared/contracts/parts'
import type { Person } from '../../../shared/contracts/session'
import { inTransaction } from '../../platform/database'
import { apiError, notFound } from '../../platform/errors'
import { factsOfRevision } from '../sheets/service'
import * as rows from './repository'

/** Parts on one page of the list. */
const PAGE = 50

type Move = z.infer<(typeof moveContract)['body']>

const toPart = ({ price_minor, reorder_at, retired_at, stock, ...row }: rows.PartRow): Part => ({
  id: row.id,
  number: row.number,
  title: row.title,
  kind: row.kind,
  fits: row.fits,
  kit: row.kit,
  substitutes: row.substitutes,
  volts: row.volts,
  degrees: row.degrees,
  contact: row.contact,
  thread: row.thread,
  priceMinor: price_minor,
  reorderAt: reorder_at,
  retired: retired_at !== null,
  stock: stock as Part['stock'],
})

const toCursor = ({ number, id }: rows.PartRow) => Buffer.from(JSON.stringify([number, id])).toString('base64url')
function fromCursor(cursor: string): { number: string; id: string } {
  try {
    const [number, id] = JSON.parse(Buffer.from(cursor, 'base64url').toString('utf8')) as unknown[]
    if (typeof number === 'string' && typeof id === 'string' && /^[0-9a-f-]{36}$/.test(id)) return { number, id }
  } catch {
    // What is no cursor of ours is said below.
  }
  throw apiError(400, 'wrong-shape')
}

export async function pageOfParts(
  { organisation }: Person,
  asked: { q?: string | undefined; sheet?: string | undefined; low?: 'true' | undefined; cursor?: string | undefined },
) {
  const found = await rows.listParts({
    organisation,
    words: (asked.q ?? '').split(/\s+/).filter(Boolean).slice(0, 8),
    sheet: asked.sheet,
    low: asked.low === 'true',
    after: asked.cursor === undefined ? undefined : fromCursor(asked.cursor),
    most: PAGE + 1,
  })
  const shown = found.slice(0, PAGE)
  return { parts: shown.map(toPart), next: found.length > PAGE ? toCursor(shown.at(-1)!) : null }
}

export async function readPart({ organisation }: Person, id: string) {
  const row = await rows.findPart(organisation, id)
  if (!row) throw notFound('part')
  const part = toPart(row)
  const others = (await rows.partsLike(organisation, part.substitutes, [part.kind])).map(toPart)
  return { part, standIns: standInsOf(part, others) }
}

const standInsOf = (part: Part, others: readonly Part[]) =>
  others.flatMap((other) => {
    const by = standsInBy(part, other)
    return by ? [{ part: other, by: [...by] }] : []
  })

/** Parts of these numbers, whatever their letters. */
export const partsByNumbers = async ({ organisation }: Person, numbers: readonly string[]): Promise<Part[]> =>
  (await rows.partsLike(organisation, numbers, [])).map(toPart)

/** What the repairs of a sheet need, as far as the organisation has parts of these numbers. */
export async function partsForRevision({ organisation }: Person, revision: string) {
  const needed = (await factsOfRevision(revision)).repairs.flatMap(({ id, partNumber }) =>
    partNumber === undefined ? [] : [{ repair: id, number: partNumber }],
  )
  const own = (
    await rows.partsLike(
      organisation,
      needed.map((n) => n.number),
      [],
    )
  ).map(toPart)
  const others = (
    await rows.partsLike(
      organisation,
      own.flatMap((p) => p.substitutes),
      own.map((p) => p.kind),
    )
  ).map(toPart)
  const parts = needed.flatMap(({ repair, number }) => {
    const part = own.find((p) => p.number.toLowerCase() === number.toLowerCase())
    return part ? [{ repair, number, part, standIns: standInsOf(part, others) }] : []
  })
  return { parts }
}

/** Writes a part; a number that another one has already is said. */
export async function writePart({ organisation }: Person, id: string, fields: PartFields & { retired: boolean }) {
  return inTransaction(async (transaction) => {
    const other = (await rows.partsByNumber(organisation, transaction)).get(fields.number.toLowerCase())
    if (other !== undefined && other !== id) throw apiError(409, 'number-taken', fields.number)
    if (!(await rows.writePart(organisation, id, fields, transaction))) throw notFound('part')
    return { part: toPart((await rows.findPart(organisation, id, transaction))!) }
  })
}

/** Moves pieces, books them in, or says how many there are; what is not there is not taken away. */
export async function moveStock({ organisation, id: by }: Person, part: string, move: Move) {
  return inTransaction(async (transaction) => {
    if (!(await rows.findPart(organisation, part, transaction))) throw notFound('part')
    const [from, to]: [Store | null, Store | null] =
      move.type === 'moved' ? [move.from, move.to] : [null, move.type === 'received' ? move.to : move.store]
    if (from !== null && from === to) throw apiError(422, 'same-place')
    for (const store of [from, to])
      if (store !== null && store !== 'shop' && !(await rows.isOfOrganisation(organisation, store, transaction)))
        throw notFound('place')
    const { id, type, count } = move
    const fresh = await rows.insertMove({ id, organisation, part, type, from, to, count, job: null, by }, transaction)
    if (fresh) {
      if (type === 'counted') await rows.setLevel(part, to!, count, transaction)
      else {
        if (from !== null && (await rows.addToLevel(part, from, -count, transaction)) < 0)
          throw apiError(422, 'too-few', String(count))
        await rows.addToLevel(part, to!, count, transaction)
      }
    }
    return { part: toPart((await rows.findPart(organisation, part, transaction))!) }
  })
}

/** What an entry of a job took from where parts lie, or what taking it back brings back. */
export interface UsedPart {
  /** The entry that did it, and that which says what was used. */
  id: string
  of: string
  used: Extract<Payload, { type: 'used' }>
  back: boolean
}

/**
 * Books out what a job used of the van of whoever entered it or of the shop, and back in what was taken back; once each. What no part of
 * the organisation has the number of is left alone, and what was never booked in falls below zero: what was used is used.
 */
export async function bookUsed(
  { organisation, id: by }: Person,
  job: string,
  entries: readonly UsedPart[],
  transaction: Transaction,
): Promise<void> {
  const counted = entries.filter(
    ({ used }) => used.number !== undefined && (used.from === 'van' || used.from === 'shop'),
  )
  if (!counted.length) return
  const known = await rows.partsByNumber(organisation, transaction)
  for (const { id, of, used, back } of counted) {
    const part = known.get(used.number!.toLowerCase())
    if (part === undefined) continue
    const { count } = used
    // It comes back to where it was taken from, whoever takes the entry back.
    const own: Store = used.from === 'van' ? by : 'shop'
    const store = of === id ? own : await rows.storeOfUse(of, transaction)
    if (store === undefined) continue
    const [from, to] = back ? [null, store] : [store, null]
    const type = back ? 'put-back' : 'used'
    const fresh = await rows.insertMove({ id, organisation, part, type, from, to, count, job, by }, transaction)
    if (fresh) await rows.addToLevel(part, store, back ? count : -count, transaction)
  }
}
