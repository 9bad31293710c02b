import { invite as contract } from '../../../shared/contracts/accounts'
import { invite } from '../../areas/people/service'
import { route } from '../../platform/route'

export default route(contract, ({ who, body }) => invite(who, body))
