import { z } from 'zod'
import { contract, EVERYBODY, id } from './contract'

/** The people of the organisation, by name. */
export const listPeople = contract({
  method: 'GET',
  path: '/api/people',
  roles: EVERYBODY,
  answer: z.object({
    people: z.array(z.object({ id, name: z.string(), role: z.enum(['lead', 'technician', 'trainee', 'read-only']) })),
  }),
})
