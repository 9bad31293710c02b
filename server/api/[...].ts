/** Everything under /api that is not a route. */
export default defineEventHandler(() => {
  throw refuse(404, 'not-found', 'There is nothing here.')
})
