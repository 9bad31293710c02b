import { allowMeter as contract } from '../../../shared/contracts/meters'
import { allowMeter } from '../../areas/meters/service'
import { route } from '../../platform/route'

export default route(contract, ({ who, params, body }) => allowMeter(who, params.id, body))
