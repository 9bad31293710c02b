import { z } from 'zod'
import { isSoundText } from '../../core/job'
import { contract, EVERYBODY, id } from './contract'

/** Customers, places, machines, jobs and parts by any of their words, also where one is typed wrong; the best first. */
export const find = contract({
  method: 'GET',
  path: '/api/find',
  roles: EVERYBODY,
  query: z.strictObject({ q: z.string().max(200).refine(isSoundText) }),
  answer: z.object({
    found: z.array(
      z.object({
        kind: z.enum(['customer', 'site', 'unit', 'job', 'part']),
        id,
        title: z.string(),
        about: z.string(),
        /** Where it is looked at: the machine of a job, the first machine of a place. */
        unit: id.nullable(),
      }),
    ),
    /** What was looked for in place of a word that nobody has written. */
    meant: z.array(z.object({ typed: z.string(), words: z.array(z.string()) })),
  }),
})
