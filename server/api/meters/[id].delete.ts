import { removeMeter as contract } from '../../../shared/contracts/meters'
import { removeMeter } from '../../areas/meters/service'
import { route } from '../../platform/route'

export default route(contract, ({ who, params }) => removeMeter(who, params.id))
