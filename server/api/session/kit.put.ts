import { updateKit as contract } from '../../../shared/contracts/session'
import { updateKit } from '../../areas/session/service'
import { route } from '../../platform/route'

export default route(contract, async ({ who, body }) => ({ person: await updateKit(who, body) }))
