import { whoAmI } from '../../../shared/contracts/session'
import { sessionOf } from '../../areas/session/service'
import { route } from '../../platform/route'

export default route(whoAmI, async ({ event }) => ({ person: (await sessionOf(event))?.person ?? null }))
