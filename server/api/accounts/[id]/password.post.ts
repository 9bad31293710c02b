import { resetPassword as contract } from '../../../../shared/contracts/accounts'
import { resetPassword } from '../../../areas/people/service'
import { route } from '../../../platform/route'

export default route(contract, ({ who, params }) => resetPassword(who, params.id))
