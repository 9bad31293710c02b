/** Who is signed in, or null. */
export default defineEventHandler(async (event) => {
  const { user } = await getUserSession(event)
  return { user: user ?? null }
})
