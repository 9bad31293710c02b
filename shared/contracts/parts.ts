import { z } from 'zod'
import { contract, cursor, EVERYBODY, id, idParam, line, MANY, query, WRITERS } from './contract'
import { FIGURES } from '../../core/stock'
import { MOST_ROWS } from './units'

/** Where parts lie: in the shop, or in the van of a person. */
export const store = z.union([z.literal('shop'), id])
export type Store = z.infer<typeof store>

/** Columns of a file of parts; only the first two must be there. */
export const PART_COLUMNS = [
  'number',
  'title',
  'kind',
  'fits',
  'kit',
  'substitutes',
  'volts',
  'degrees',
  'contact',
  'thread',
  'price',
  'reorder at',
] as const

/** Most that is counted of one part in one place. */
export const MOST_COUNTED = 9999
const count = z.int().min(1).max(MOST_COUNTED)

/** A part as a form writes it. What is left empty does not matter where something may stand in for it. */
export const partFields = z.strictObject({
  number: line(60),
  title: line(200),
  /** What sort of part it is, as "inlet coil": one of the same sort may stand in for it. */
  kind: line(60, 0),
  /** Ids of sheets that it fits. */
  fits: z.array(line(80)).max(60),
  /** What is in it, where it is a kit. */
  kit: z.array(line(120)).max(30),
  /** Numbers of parts that may stand in for it. */
  substitutes: z.array(line(60)).max(30),
  volts: line(40, 0),
  degrees: line(40, 0),
  contact: line(40, 0),
  thread: line(40, 0),
  /** What one costs, in minor units; null where nobody said. */
  priceMinor: z.int().min(0).max(1e9).nullable(),
  /** So few in the shop, and more are ordered. */
  reorderAt: z.int().min(0).max(MOST_COUNTED),
})
export type PartFields = z.infer<typeof partFields>

export const part = partFields.extend({
  id,
  retired: z.boolean(),
  /** Where some lie, or are booked out that never were booked in: then the count is below zero. */
  stock: z.array(z.object({ store, name: z.string(), count: z.int() })),
})
export type Part = z.infer<typeof part>

/** A part that may stand in for another, and by what: named there, or of the same sort with the same figures. */
export const standIn = z.object({ part, by: z.array(z.enum(['named', ...FIGURES])) })

/** Parts of the organisation, by any word or number, of a sheet, or of which too few are left; a page at a time. */
export const listParts = contract({
  method: 'GET',
  path: '/api/parts',
  roles: EVERYBODY,
  query: z.strictObject({ q: query, sheet: line(80).optional(), low: z.enum(['true']).optional(), cursor }),
  answer: z.object({ parts: z.array(part), next: z.string().nullable() }),
})

/** One part with where its pieces lie, and what the organisation has that may stand in for it. */
export const readPart = contract({
  method: 'GET',
  path: '/api/parts/:id',
  roles: EVERYBODY,
  params: idParam,
  answer: z.object({ part, standIns: z.array(standIn) }),
})

/** What the repairs of a job's sheet need, by the numbers that stand in it, with what the organisation has of each. */
export const partsForJob = contract({
  method: 'GET',
  path: '/api/jobs/:id/parts',
  roles: EVERYBODY,
  params: idParam,
  answer: z.object({
    parts: z.array(z.object({ repair: z.string(), number: z.string(), part, standIns: z.array(standIn) })),
  }),
})

/** Writes a part. A number stands for one part of the organisation. */
export const writePart = contract({
  method: 'PUT',
  path: '/api/parts/:id',
  roles: ['lead', 'technician'],
  params: idParam,
  body: partFields.extend({ retired: z.boolean() }),
  answer: z.object({ part }),
})

/** Moves pieces, books them in, or says how many there are. The same one sent twice is one. */
export const moveStock = contract({
  method: 'POST',
  path: '/api/parts/:id/moves',
  roles: WRITERS,
  params: idParam,
  body: z.discriminatedUnion('type', [
    z.strictObject({ type: z.literal('moved'), id, from: store, to: store, count }),
    z.strictObject({ type: z.literal('received'), id, to: store, count }),
    z.strictObject({ type: z.literal('counted'), id, store, count: z.int().min(0).max(MOST_COUNTED) }),
  ]),
  answer: z.object({ part }),
})

/** Parts from the rows of a file, all or nothing; without `commit` the answer is the preview and names every wrong row. */
export const importParts = contract({
  method: 'POST',
  path: '/api/parts/import',
  roles: ['lead', 'technician'],
  most: MANY,
  body: z.strictObject({
    commit: z.boolean(),
    rows: z
      .array(z.record(z.string().max(80), z.string().max(2000)))
      .min(1)
      .max(MOST_ROWS),
  }),
  answer: z.object({
    made: z.int(),
    changed: z.int(),
    problems: z.array(z.object({ row: z.number(), column: z.string(), message: z.string() })),
  }),
})
