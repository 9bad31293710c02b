import { changePassword as contract } from '../../../shared/contracts/accounts'
import { keepPassword } from '../../areas/people/service'
import { confirmPassword } from '../../areas/session/service'
import { route } from '../../platform/route'

export default route(contract, async ({ event, who, body }) =>
  keepPassword(who, await confirmPassword(event, who, body.old), body.password),
)
