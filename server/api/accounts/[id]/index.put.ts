import { changeAccount as contract } from '../../../../shared/contracts/accounts'
import { changeAccount } from '../../../areas/people/service'
import { route } from '../../../platform/route'

export default route(contract, ({ who, params, body }) => changeAccount(who, params.id, body))
