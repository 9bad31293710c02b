import { listUnits as contract } from '../../../shared/contracts/units'
import { listUnits } from '../../areas/units/service'
import { route } from '../../platform/route'

export default route(contract, ({ who, query }) => listUnits(who, query.q, query.retired === 'true'))
