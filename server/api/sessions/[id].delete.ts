import { endSession as contract } from '../../../shared/contracts/session'
import { endSession } from '../../areas/session/service'
import { route } from '../../platform/route'

export default route(contract, async ({ who, params }) => {
  await endSession(who, params.id)
  return { ended: params.id }
})
