import { defineEventHandler, setResponseHeader } from 'h3'
import { CONTRACTS } from '../../shared/contracts'
import { addresses } from '../platform/addresses'
import { apiError, notFound } from '../platform/errors'

const TAKEN = Object.values(CONTRACTS).map(({ method, path }) => ({ method, isIt: addresses([path]) }))

/** Everything under /api that is not a route: an address that there is takes other methods, or there is none. */
export default defineEventHandler((event) => {
  const path = event.path.split('?', 1)[0]!
  const methods = TAKEN.filter((t) => t.isIt(path)).map((t) => t.method)
  if (!methods.length) throw notFound('address')
  setResponseHeader(event, 'allow', [...new Set(methods)].join(', '))
  throw apiError(405, 'wrong-method')
})
