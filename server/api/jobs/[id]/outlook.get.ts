import { readOutlook as contract } from '../../../../shared/contracts/schedule'
import { outlookOf } from '../../../areas/schedule/service'
import { route } from '../../../platform/route'

export default route(contract, ({ who, params }) => outlookOf(who, params.id))
