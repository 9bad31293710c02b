import { z } from 'zod'
import { contract, EVERYBODY, id, idParam, line } from './contract'

/** YYYY-MM-DD, of the organisation's own time zone; whether a calendar has it is said by the server. */
export const calendarDay = z.string().regex(/^\d{4}-\d\d-\d\d$/)
const minute = z.int().min(0).max(1439)
const length = z.int().min(5).max(720)
const WRITE_SCHEDULE = ['lead', 'technician'] as const

export const REASONS = ['call', 'return', 'care'] as const

const unit = z.object({ id, title: z.string(), customer: z.string(), place: z.string() })

export const visit = z.object({
  id,
  unit,
  job: id.nullable(),
  carePlan: id.nullable(),
  person: id,
  day: calendarDay,
  /** Minutes since midnight by the clock on the wall. */
  start: minute,
  minutes: length,
  reason: z.enum(REASONS),
  /** What is wrong, or what is done. */
  about: z.string(),
  note: z.string(),
  ended: z.enum(['done', 'cancelled']).nullable(),
  version: z.int(),
})
export type Visit = z.infer<typeof visit>

export const workDay = z.object({ begins: minute, ends: z.int(), travel: z.int() })

/** Visits of some days, by their starts; the days are those of the organisation's time zone. */
export const listVisits = contract({
  method: 'GET',
  path: '/api/visits',
  roles: EVERYBODY,
  query: z.strictObject({
    from: calendarDay.optional(),
    days: z.coerce.number().int().min(1).max(42).default(1),
    mine: z.enum(['true']).optional(),
  }),
  answer: z.object({ from: calendarDay, today: calendarDay, work: workDay, visits: z.array(visit) }),
})

/** What asks for a visit and has none: calls, returns for a part, care that is due soon. */
export const toPlace = contract({
  method: 'GET',
  path: '/api/to-place',
  roles: EVERYBODY,
  answer: z.object({
    jobs: z.array(
      z.object({
        job: id,
        unit,
        about: z.string(),
        reason: z.enum(['call', 'return']),
        /** When somebody was to come back, as far as it was said. */
        until: z.string().nullable(),
        /** What it waits for, and whether that lies in the shop. */
        awaits: z.string(),
        come: z.boolean(),
        /** Planned minutes, as far as they have been reckoned. */
        minutes: length.nullable(),
      }),
    ),
    care: z.array(z.object({ plan: id, unit, about: z.string(), due: calendarDay, minutes: length })),
  }),
})

const noted = { job: id, title: z.string(), customer: z.string(), place: z.string() }
/** What is not to be forgotten today: jobs whose parts have come, machines to be looked at again, one's own runs that go on. */
export const readToday = contract({
  method: 'GET',
  path: '/api/today',
  roles: EVERYBODY,
  answer: z.object({
    came: z.array(id),
    followUps: z.array(z.object({ ...noted, on: calendarDay, text: z.string() })),
    running: z.array(z.object({ ...noted, since: z.string() })),
  }),
})

const visitFields = z.strictObject({
  unit: id,
  job: id.nullable(),
  carePlan: id.nullable(),
  person: id,
  day: calendarDay,
  start: minute,
  minutes: length,
  reason: z.enum(REASONS),
  note: line(500, 0),
  ended: z.enum(['done', 'cancelled']).nullable(),
  /** The version that was changed; 0 for a new one. */
  version: z.int().min(0),
})
export type VisitFields = z.infer<typeof visitFields>

/** Places a visit, or changes one; one that somebody else has changed meanwhile is not overwritten. */
export const putVisit = contract({
  method: 'PUT',
  path: '/api/visits/:id',
  roles: WRITE_SCHEDULE,
  params: idParam,
  body: visitFields,
  answer: z.object({ visit }),
})

/** What the engine expects of a job: minutes of work, the length of a visit for them, and what it may end with. */
export const readOutlook = contract({
  method: 'GET',
  path: '/api/jobs/:id/outlook',
  roles: EVERYBODY,
  params: idParam,
  answer: z.object({
    minutes: z.number(),
    length,
    needs: z.array(
      z.object({
        repair: z.string(),
        title: z.string(),
        number: z.string().optional(),
        chance: z.number(),
        price: z.number(),
      }),
    ),
  }),
})

/** What a person's day is likely to need, within what the van may carry in money. */
export const packForDay = contract({
  method: 'GET',
  path: '/api/packing',
  roles: EVERYBODY,
  query: z.strictObject({
    person: id,
    day: calendarDay,
    /** Minor units. */
    budget: z.coerce.number().int().min(0).max(1e9),
  }),
  answer: z.object({
    calls: z.int(),
    /** What is taken along besides what lies in the van, likeliest first. */
    packed: z.array(
      z.object({
        part: id,
        number: z.string(),
        title: z.string(),
        count: z.int(),
        chance: z.number(),
        minor: z.int(),
        inShop: z.int(),
      }),
    ),
    minor: z.int(),
    /** What may be needed and no part of the catalogue has the number of. */
    unknown: z.array(z.object({ title: z.string(), number: z.string().nullable(), chance: z.number() })),
  }),
})

/** What comes in with the water: descaling follows from it. */
export const water = z.strictObject({
  /** °dH */
  hardness: z.number().min(0.1).max(80),
  /** L a day that are heated or frozen. */
  litres: z.number().min(0.1).max(100_000),
  /** g of lime that it may gather. */
  lime: z.number().min(1).max(100_000),
})

export const carePlan = z.object({
  id,
  title: z.string(),
  everyDays: z.int(),
  minutes: length,
  lastDone: calendarDay.nullable(),
  water: water.nullable(),
  due: calendarDay,
  retired: z.boolean(),
})
export type CarePlan = z.infer<typeof carePlan>

/** What is done again and again at a machine, and what its sheet says of that. */
export const listCare = contract({
  method: 'GET',
  path: '/api/units/:id/care',
  roles: EVERYBODY,
  params: idParam,
  answer: z.object({
    today: calendarDay,
    plans: z.array(carePlan),
    sheet: z.array(z.object({ text: z.string(), every: z.string(), why: z.string(), days: z.int().nullable() })),
  }),
})

export const putCare = contract({
  method: 'PUT',
  path: '/api/care/:id',
  roles: WRITE_SCHEDULE,
  params: idParam,
  body: z.strictObject({
    unit: id,
    title: line(200),
    /** Left out where it follows from the water. */
    everyDays: z.int().min(1).max(3650).nullable(),
    minutes: length,
    lastDone: calendarDay.nullable(),
    water: water.nullable(),
    retired: z.boolean(),
  }),
  answer: z.object({ plan: carePlan }),
})

/** Whether somebody's calendar can be read from outside, and since when. */
export const readCalendarLink = contract({
  method: 'GET',
  path: '/api/calendar',
  roles: EVERYBODY,
  answer: z.object({ since: z.string().nullable() }),
})
/** Makes the secret address of one's own calendar anew: the one of before reads nothing any more. It is shown once. */
export const makeCalendarLink = contract({
  method: 'PUT',
  path: '/api/calendar',
  roles: EVERYBODY,
  body: z.strictObject({}),
  answer: z.object({ path: z.string(), since: z.string() }),
})
export const revokeCalendarLink = contract({
  method: 'DELETE',
  path: '/api/calendar',
  roles: EVERYBODY,
  answer: z.object({ since: z.null() }),
})
const CALENDAR = { type: 'text/calendar; charset=utf-8', most: 1_000_000, changes: true } as const
/** Somebody's visits as a calendar reads them, for whoever knows the secret (RFC 5545). */
export const readCalendar = contract({
  method: 'GET',
  path: '/api/calendar/:secret',
  roles: 'anyone',
  params: z.strictObject({ secret: z.string().regex(/^[\w-]{43}\.ics$/) }),
  answer: z.instanceof(Uint8Array),
  file: CALENDAR,
})
/** One's own visits as a file. */
export const myVisitsFile = contract({
  method: 'GET',
  path: '/api/my-visits',
  roles: EVERYBODY,
  answer: z.instanceof(Uint8Array),
  file: CALENDAR,
})
