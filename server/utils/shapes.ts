import { z } from 'zod'
import { VERBS } from '../../core/evidence'
import { BANDS } from '../../core/machine'

/** Shapes of what comes in. Lengths are limited so that nobody fills the database with one request. */
const name = z.string().min(1).max(80)
const words = z.string().max(4000)

export const happening = z.discriminatedUnion('is', [
  z.strictObject({ is: z.literal('opened'), machine: z.uuid(), complaints: z.array(name).min(1).max(12), words }),
  z.strictObject({ is: z.literal('safety'), step: name }),
  z.strictObject({
    is: z.literal('reading'),
    test: z.string().min(1).max(200),
    text: z.string().min(1).max(60),
    instrument: name.optional(),
  }),
  z.strictObject({ is: z.literal('action'), action: z.strictObject({ verb: z.enum(VERBS), target: name.optional() }) }),
  z.strictObject({ is: z.literal('retracted'), event: z.uuid() }),
  z.strictObject({ is: z.literal('order'), order: z.enum(['best', 'live-first', 'dead-first', 'water-first']) }),
  z.strictObject({ is: z.literal('bands'), bands: z.enum(BANDS) }),
  z.strictObject({ is: z.literal('note'), text: words.min(1) }),
  z.strictObject({ is: z.literal('closed'), repair: z.string().max(80), text: words }),
  z.strictObject({ is: z.literal('reopened') }),
])

export const jobEvent = z.strictObject({
  id: z.uuid(),
  v: z.literal(1),
  at: z.iso.datetime(),
  device: name,
  what: happening,
})

export const eventsBody = z.strictObject({ events: z.array(jobEvent).min(1).max(200) })
export const openBody = z.strictObject({ job: z.uuid(), machine: z.uuid(), event: jobEvent })
export const signInBody = z.strictObject({ email: z.string().min(3).max(200), password: z.string().min(1).max(200) })
export const idParam = z.strictObject({ id: z.uuid() })
