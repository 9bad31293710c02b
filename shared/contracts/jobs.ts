import { z } from 'zod'
import { jobEventSchema, moment } from '../../core/job'
import { contract, cursor, EVERYBODY, id, idParam, MANY, query, WRITERS } from './contract'

/** Most events in one request, and most that one answer brings. */
export const MOST_EVENTS = 200
export const MOST_SHOWN = 2000

export const JOB_STATES = ['open', 'waiting', 'closed', 'bypass'] as const

/** A job as a list shows it. */
export const jobRow = z.object({
  id,
  unit: id,
  title: z.string(),
  customer: z.string(),
  place: z.string(),
  complaints: z.array(z.string()),
  words: z.string(),
  readings: z.number(),
  repairs: z.number(),
  /** What is not as it was: parts with a jumper still in or a lead off, as their sheet calls them. */
  bypasses: z.array(z.string()),
  /** What hands have disconnected and not put back. */
  disconnected: z.array(z.string()),
  /** What is waited for; null while nothing is. */
  awaits: z.object({ what: z.enum(['part', 'person', 'customer']), text: z.string() }).nullable(),
  closed: z.object({ repair: z.string(), by: z.string(), at: z.string() }).nullable(),
  openedBy: z.string(),
  createdAt: z.string(),
  touchedAt: z.string(),
  touchedBy: z.string(),
})
export type JobRow = z.infer<typeof jobRow>

/** Jobs of the organisation, last touched first, a page at a time. */
export const listJobs = contract({
  method: 'GET',
  path: '/api/jobs',
  roles: EVERYBODY,
  query: z.strictObject({
    q: query,
    state: z.enum(JOB_STATES).optional(),
    mine: z.enum(['true']).optional(),
    unit: id.optional(),
    cursor,
  }),
  answer: z.object({ jobs: z.array(jobRow), next: z.string().nullable() }),
})

export const sequencedEvent = jobEventSchema
  // What stands in the table was checked when it was taken; old rows are brought to today's form on reading.
  .extend({ at: z.string(), payload: z.any(), seq: z.int(), by: z.string() })

/** A job: its unit, the revision it was begun with, and its events after a sequence. */
export const readJob = contract({
  method: 'GET',
  path: '/api/jobs/:id',
  roles: EVERYBODY,
  params: idParam,
  query: z.strictObject({
    after: z.coerce
      .number()
      .int()
      .min(0)
      .max(2 ** 31 - 1)
      .optional(),
  }),
  answer: z.object({
    id,
    unit: z.object({ id, title: z.string(), customer: z.string(), place: z.string() }),
    revision: z.string(),
    seq: z.int(),
    events: z.array(sequencedEvent),
  }),
})

const shopRecord = z.object({
  machineYears: z.number(),
  jobs: z.array(
    z.object({
      repair: z.string(),
      inVain: z.array(z.string()),
      readings: z.array(z.object({ test: z.string(), si: z.number() })),
    }),
  ),
})

/** What the organisation had seen of machines of a job's sheet when the job came. */
export const readShopRecord = contract({
  method: 'GET',
  path: '/api/jobs/:id/record',
  roles: EVERYBODY,
  params: idParam,
  answer: shopRecord,
})

/** The same up to now, for a call about a unit that is being told. */
export const readShopRecordNow = contract({
  method: 'GET',
  path: '/api/units/:id/record',
  roles: EVERYBODY,
  params: idParam,
  answer: shopRecord,
})

export const eventResult = z.discriminatedUnion('status', [
  z.object({ id: z.string(), status: z.literal('accepted'), seq: z.int() }),
  z.object({ id: z.string(), status: z.literal('duplicate'), seq: z.int() }),
  z.object({ id: z.string(), status: z.literal('refused'), code: z.string(), message: z.string() }),
])

/**
 * Appends events to a job, each judged by itself; the first event of a job opens it. Sending one twice changes
 * nothing. Events are parsed one by one, so that one that cannot be understood does not hold up the others.
 */
export const appendEvents = contract({
  method: 'POST',
  path: '/api/jobs/:id/events',
  roles: WRITERS,
  most: MANY,
  params: idParam,
  body: z.strictObject({
    events: z.array(z.unknown()).min(1).max(MOST_EVENTS),
    /** The device's clock at the moment of sending. */
    sentAt: moment.optional(),
  }),
  answer: z.object({
    results: z.array(eventResult),
    /** What the device's clock is off by, positive when it is fast, ms; 0 where that is not worth a word. */
    clockOffset: z.number(),
  }),
})
