import { readHeld as contract } from '../../../../shared/contracts/erasure'
import { heldOfCustomer } from '../../../areas/erasure/service'
import { route } from '../../../platform/route'

export default route(contract, ({ who, params }) => heldOfCustomer(who, params.id))
