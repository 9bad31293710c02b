import { readUnit as contract } from '../../../shared/contracts/units'
import { readUnit } from '../../areas/units/service'
import { route } from '../../platform/route'

export default route(contract, ({ who, params }) => readUnit(who, params.id))
