import { listAccounts as contract } from '../../../shared/contracts/accounts'
import { listAccounts } from '../../areas/people/service'
import { route } from '../../platform/route'

export default route(contract, ({ who }) => listAccounts(who))
