import { listSessions as contract } from '../../../shared/contracts/session'
import { listSessions } from '../../areas/session/service'
import { route } from '../../platform/route'

export default route(contract, async ({ event, who }) => ({ sessions: await listSessions(event, who) }))
