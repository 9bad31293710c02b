import { z } from 'zod'
import { ACCURACY, text } from '../../core/job'
import { contract, EVERYBODY, id } from './contract'

/** What somebody has to measure with. */
export const kit = z.strictObject({
  /** Ids of instruments that are not at hand. */
  lacking: z.array(text(40, 1)).max(40),
  /** Ohms below which the continuity beeper sounds. */
  beepsBelow: z.number().min(1).max(2000).optional(),
  /** Limits of error, shares of the reading, by instrument. */
  accuracy: z.record(text(40, 1), z.number().min(ACCURACY.least).max(ACCURACY.most)).optional(),
})

export const person = z.object({
  id,
  name: z.string(),
  role: z.enum(['lead', 'technician', 'trainee', 'read-only']),
  organisation: id,
  organisationName: z.string(),
  /** IANA name of the time zone in which the organisation works. */
  timeZone: z.string(),
  /** As in ISO 4217; what it costs is in minor units of it. */
  currency: z.string().default('EUR'),
  /** What an hour of work costs. */
  hourMinor: z.number().default(6000),
  /** `null`: nothing was said, everything counts as at hand. */
  kit: kit.nullable().default(null),
})
export type Person = z.output<typeof person>

/** Signs in; the answer sets the cookie. */
export const signIn = contract({
  method: 'POST',
  path: '/api/session',
  roles: 'anyone',
  body: z.strictObject({ email: text(200, 3), password: text(200, 1) }),
  answer: z.object({ person }),
})

/** Who is signed in, or null. */
export const whoAmI = contract({
  method: 'GET',
  path: '/api/session',
  roles: 'anyone',
  answer: z.object({ person: person.nullable() }),
})

/** Signs out: the session ends, and with it its streams of news. */
export const signOut = contract({
  method: 'DELETE',
  path: '/api/session',
  roles: 'anyone',
  answer: z.object({ person: z.null() }),
})

/** Says what the person who asks has to measure with. */
export const updateKit = contract({
  method: 'PUT',
  path: '/api/session/kit',
  roles: EVERYBODY,
  body: kit,
  answer: z.object({ person }),
})

/** The sessions of the person who asks. */
export const listSessions = contract({
  method: 'GET',
  path: '/api/sessions',
  roles: EVERYBODY,
  answer: z.object({
    sessions: z.array(
      z.object({ id, createdAt: z.string(), seenAt: z.string(), device: z.string(), here: z.boolean() }),
    ),
  }),
})

/** Ends one of one's own sessions. */
export const endSession = contract({
  method: 'DELETE',
  path: '/api/sessions/:id',
  roles: EVERYBODY,
  params: z.strictObject({ id }),
  answer: z.object({ ended: id }),
})
