/** Everything but the sign-in page needs somebody signed in. */
export default defineNuxtRouteMiddleware(async (to) => {
  if (to.path === '/sign-in') return
  const session = useSession()
  try {
    if (!(await session.look())) return navigateTo({ path: '/sign-in', query: { to: to.fullPath } })
  } catch {
    // Server or database away: the page itself says so and tries again.
  }
})
