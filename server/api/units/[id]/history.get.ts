import { unitRecord as contract } from '../../../../shared/contracts/figures'
import { unitHistory } from '../../../areas/figures/service'
import { route } from '../../../platform/route'

export default route(contract, ({ who, params }) => unitHistory(who, params.id))
