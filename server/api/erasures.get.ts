import { listErasures as contract } from '../../shared/contracts/erasure'
import { listErasures } from '../areas/erasure/service'
import { route } from '../platform/route'

export default route(contract, ({ who }) => listErasures(who))
