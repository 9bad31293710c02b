import { updateCustomer } from '../../../shared/contracts/units'
import { renameCustomer } from '../../areas/units/service'
import { route } from '../../platform/route'

export default route(updateCustomer, async ({ who, params, body }) => ({
  customer: await renameCustomer(who, params.id, body.name),
}))
