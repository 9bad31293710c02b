import { eraseCustomer as contract } from '../../../shared/contracts/erasure'
import { eraseCustomer } from '../../areas/erasure/service'
import { route } from '../../platform/route'

export default route(contract, ({ who, params }) => eraseCustomer(who, params.id))
