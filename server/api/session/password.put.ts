import { changePassword as contract } from '../../../shared/contracts/accounts'
import { changePassword } from '../../areas/people/service'
import { route } from '../../platform/route'

export default route(contract, ({ event, who, body }) => changePassword(event, who, body))
