import { moveStock as contract } from '../../../../shared/contracts/parts'
import { moveStock } from '../../../areas/parts/service'
import { route } from '../../../platform/route'

export default route(contract, ({ who, params, body }) => moveStock(who, params.id, body))
