import { createUnit as contract } from '../../../shared/contracts/units'
import { createUnit } from '../../areas/units/service'
import { route } from '../../platform/route'

export default route(contract, async ({ who, body }) => ({ unit: await createUnit(who, body) }), 201)
