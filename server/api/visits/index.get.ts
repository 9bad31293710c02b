import { listVisits as contract } from '../../../shared/contracts/schedule'
import { listVisits } from '../../areas/schedule/service'
import { route } from '../../platform/route'

export default route(contract, ({ who, query }) => listVisits(who, query))
