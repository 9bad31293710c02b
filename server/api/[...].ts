import { defineEventHandler } from 'h3'
import { notFound } from '../platform/errors'

/** Everything under /api that is not a route. */
export default defineEventHandler(() => {
  throw notFound('address')
})
