/** Signs out. */
export default defineEventHandler(async (event) => {
  await clearUserSession(event)
  return { user: null }
})
