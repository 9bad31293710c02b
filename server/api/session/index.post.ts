import { signIn as contract } from '../../../shared/contracts/session'
import { signIn } from '../../areas/session/service'
import { route } from '../../platform/route'

export default route(contract, async ({ event, body }) => ({ person: await signIn(event, body.email, body.password) }))
