import { z } from 'zod'
import { contract } from './contract'

/** Whether the server, its database and its sheets are ready. */
export const readHealth = contract({
  method: 'GET',
  path: '/api/health',
  roles: 'anyone',
  answer: z.object({ ok: z.literal(true) }),
})
