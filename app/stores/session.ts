import { defineStore } from 'pinia'

interface Person {
  id: string
  name: string
  organisation: string
  organisationName: string
}

/** Who is signed in on this device. */
export const useSession = defineStore('session', () => {
  const user = ref<Person | null>()
  const look = async () => {
    if (user.value === undefined) user.value = (await ask<{ user: Person | null }>('/api/session')).user
    return user.value
  }
  const signIn = async (email: string, password: string) => {
    user.value = (await ask<{ user: Person }>('/api/session', 'POST', { email, password })).user
  }
  const signOut = async () => {
    await ask('/api/session', 'DELETE')
    user.value = null
  }
  return { user, look, signIn, signOut }
})
