import { signOut as contract } from '../../../shared/contracts/session'
import { signOut } from '../../areas/session/service'
import { route } from '../../platform/route'

export default route(contract, async ({ event }) => {
  await signOut(event)
  return { person: null }
})
