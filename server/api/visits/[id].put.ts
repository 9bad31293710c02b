import { putVisit as contract } from '../../../shared/contracts/schedule'
import { putVisit } from '../../areas/schedule/service'
import { route } from '../../platform/route'

export default route(contract, ({ who, params, body }) => putVisit(who, params.id, body))
