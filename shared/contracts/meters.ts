import { z } from 'zod'
import { LINK_TROUBLES, METER_READS } from '../../core/metering'
import { contract, EVERYBODY, id, idParam, line } from './contract'

/** A meter that a lead has allowed: where it listens. */
export const meter = z.object({ id, name: z.string(), host: z.string(), port: z.number() })
export type Meter = z.infer<typeof meter>

export const listMeters = contract({
  method: 'GET',
  path: '/api/meters',
  roles: EVERYBODY,
  answer: z.object({ meters: z.array(meter) }),
})

/** Allows a meter at an address. Names are looked up anew each time a line is opened, and judged by what they mean then. */
export const allowMeter = contract({
  method: 'PUT',
  path: '/api/meters/:id',
  roles: ['lead'],
  params: idParam,
  body: z.strictObject({
    name: line(60),
    host: line(253).regex(/^[\w.:-]+$/, 'is no address'),
    port: z.int().min(1024).max(65535),
  }),
  answer: z.object({ meter }),
})

export const removeMeter = contract({
  method: 'DELETE',
  path: '/api/meters/:id',
  roles: ['lead'],
  params: idParam,
  answer: z.object({ removed: id }),
})

/** A stream of what a meter shows: server-sent events `reading`, `state` and `nonsense`. */
export const meterStreamPath = (meter: string, reads: string, range: number): string =>
  `/api/meters/${encodeURIComponent(meter)}/stream?${new URLSearchParams({ reads, range: String(range) }).toString()}`

export const streamQuery = z.strictObject({
  reads: z.enum(METER_READS),
  /** SI; 0: as the meter chooses. */
  range: z.coerce.number().min(0).max(1e9).default(0),
})

/** A reading: counted, with ms since the link was begun; `null` beyond the range of the meter. */
export const meterReading = z.object({ link: z.string(), n: z.int(), at: z.number(), si: z.number().nullable() })
export type MeterReading = z.infer<typeof meterReading>

export const linkState = z.object({
  is: z.enum(['connecting', 'open', 'lost']),
  /** What it calls itself. */
  name: z.string().optional(),
  why: z.enum(LINK_TROUBLES).optional(),
  /** What it said, where it refuses. */
  text: z.string().optional(),
  reads: z.enum(METER_READS),
  range: z.number(),
})
export type LinkState = z.infer<typeof linkState>
export const nonsense = z.object({ text: z.string() })
