import { updateUnit as contract } from '../../../shared/contracts/units'
import { updateUnit } from '../../areas/units/service'
import { route } from '../../platform/route'

export default route(contract, async ({ who, params, body }) => ({ unit: await updateUnit(who, params.id, body) }))
