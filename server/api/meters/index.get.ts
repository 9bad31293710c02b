import { listMeters as contract } from '../../../shared/contracts/meters'
import { listMeters } from '../../areas/meters/service'
import { route } from '../../platform/route'

export default route(contract, ({ who }) => listMeters(who))
