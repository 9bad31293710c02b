import { defineNuxtRouteMiddleware, navigateTo } from 'nuxt/app'
import { useSession } from '../features/session'

/** Everything but the sign-in page needs somebody signed in. */
export default defineNuxtRouteMiddleware(async (to) => {
  if (to.path === '/sign-in') return
  if (!(await useSession().look())) return navigateTo({ path: '/sign-in', query: { to: to.fullPath } })
})
