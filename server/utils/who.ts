import type { H3Event } from 'h3'
import { refuse } from './refuse'

export interface SignedIn {
  id: string
  name: string
  organisation: string
  organisationName: string
}

/** Who asks. Throws 401 when nobody is signed in. */
export async function whoAsks(event: H3Event): Promise<SignedIn> {
  const { user } = await getUserSession(event)
  if (!user) throw refuse(401, 'not-signed-in', 'Sign in first.')
  return user as SignedIn
}
