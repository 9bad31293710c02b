import { z } from 'zod'
import { contract, EVERYBODY, idParam } from './contract'
import { calendarDay } from './schedule'

const month = z.object({
  /** YYYY-MM */
  month: z.string(),
  jobs: z.int(),
  /** Put right on the first visit, with nothing in vain, and no call on the machine within a month. */
  firstVisit: z.int(),
  /** Of the same machine within a month. */
  callBacks: z.int(),
  /** Repairs that did not do. */
  inVain: z.int(),
  /** Medians, minutes to the cause; what the engine expected of the same jobs. */
  minutes: z.number(),
  expected: z.number().nullable(),
})

/** What closed jobs came to, by month and by cause; the last twelve months where no day is given. */
export const shopFigures = contract({
  method: 'GET',
  path: '/api/figures',
  roles: EVERYBODY,
  query: z.strictObject({ from: calendarDay.optional(), until: calendarDay.optional() }),
  answer: z.object({
    from: calendarDay,
    until: calendarDay,
    months: z.array(month),
    causes: z.array(
      z.object({
        family: z.string(),
        familyTitle: z.string(),
        sheet: z.string(),
        sheetTitle: z.string(),
        repair: z.string(),
        title: z.string(),
        jobs: z.int(),
        callBacks: z.int(),
      }),
    ),
    /** Work to the cause and repair against what the engine expected of it: quantiles of their ratio, and of how many jobs. */
    against: z.object({ jobs: z.int(), low: z.number(), middle: z.number(), high: z.number() }).nullable(),
  }),
})
export type ShopFigures = z.infer<(typeof shopFigures)['answer']>

/** What was found at a machine again and again, and every reading ever taken of it, oldest first. */
export const unitRecord = contract({
  method: 'GET',
  path: '/api/units/:id/history',
  roles: EVERYBODY,
  params: idParam,
  answer: z.object({
    repeated: z.array(z.object({ repair: z.string(), title: z.string(), times: z.int(), last: z.string() })),
    readings: z.array(
      z.object({
        job: z.string(),
        test: z.string(),
        at: z.string(),
        si: z.number(),
        text: z.string(),
        dimension: z.string(),
      }),
    ),
    /** How what is set on it was found and left, the newest first. */
    settings: z.array(
      z.object({
        setting: z.string(),
        title: z.string(),
        as: z.enum(['found', 'left']),
        text: z.string(),
        at: z.string(),
        job: z.string(),
      }),
    ),
    photos: z.array(
      z.object({ photo: z.string(), about: z.string(), text: z.string(), at: z.string(), job: z.string() }),
    ),
  }),
})
