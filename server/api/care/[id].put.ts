import { putCare as contract } from '../../../shared/contracts/schedule'
import { putCare } from '../../areas/schedule/service'
import { route } from '../../platform/route'

export default route(contract, ({ who, params, body }) => putCare(who, params.id, body))
