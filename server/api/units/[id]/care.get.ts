import { listCare as contract } from '../../../../shared/contracts/schedule'
import { careOf } from '../../../areas/schedule/service'
import { route } from '../../../platform/route'

export default route(contract, ({ who, params }) => careOf(who, params.id))
