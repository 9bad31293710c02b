import { z } from 'zod'
import { contract, EVERYBODY, id, idParam } from './contract'

/** What is kept of a customer. */
export const readHeld = contract({
  method: 'GET',
  path: '/api/customers/:id/held',
  roles: ['lead'],
  params: idParam,
  answer: z.object({
    name: z.string(),
    jobs: z.int(),
    /** Jobs that are open and visits that are planned: nothing is erased before they are over. */
    open: z.int(),
    planned: z.int(),
    photos: z.int(),
    signatures: z.int(),
    reports: z.int(),
  }),
})

/** Erases who a customer is, and what was said, signed and photographed at their machines. */
export const eraseCustomer = contract({
  method: 'DELETE',
  path: '/api/customers/:id',
  roles: ['lead'],
  params: idParam,
  answer: z.object({ jobs: z.int() }),
})

/** Erases who somebody was that worked here. Their entries stay. */
export const erasePerson = contract({
  method: 'DELETE',
  path: '/api/people/:id',
  roles: ['lead'],
  params: idParam,
  answer: z.object({ jobs: z.int() }),
})

/** What was erased of persons, when and by whom; without a name where its time to be kept had come. */
export const listErasures = contract({
  method: 'GET',
  path: '/api/erasures',
  roles: ['lead'],
  answer: z.object({
    erasures: z.array(
      z.object({
        id,
        what: z.enum(['customer', 'person', 'papers']),
        jobs: z.int(),
        by: z.string().nullable(),
        at: z.string(),
      }),
    ),
  }),
})

/** What a device that keeps jobs has to let go: of these something was erased since it last asked. */
export const erasedSince = contract({
  method: 'GET',
  path: '/api/erased',
  roles: EVERYBODY,
  query: z.strictObject({ after: z.iso.datetime().optional() }),
  answer: z.object({
    erasures: z.array(id),
    jobs: z.array(id),
    /** To be asked from the next time; at once where there is more. */
    until: z.iso.datetime(),
    more: z.boolean(),
  }),
})
