import { z } from 'zod'
import { contract } from './contract'

/** Whether the server, its database (with the tables of this state of the program) and its sheets are ready. */
export const readHealth = contract({
  method: 'GET',
  path: '/api/health',
  roles: 'anyone',
  answer: z.object({ ok: z.literal(true) }),
})

/** Whether the server runs at all, whatever has become of its database; its answer carries what time it is there. */
export const readLive = contract({
  method: 'GET',
  path: '/api/live',
  roles: 'anyone',
  answer: z.object({ ok: z.literal(true) }),
})
