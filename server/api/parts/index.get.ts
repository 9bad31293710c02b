import { listParts as contract } from '../../../shared/contracts/parts'
import { pageOfParts } from '../../areas/parts/service'
import { route } from '../../platform/route'

export default route(contract, ({ who, query }) => pageOfParts(who, query))
