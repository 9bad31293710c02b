import { listCustomers as contract } from '../../../shared/contracts/units'
import { listCustomers } from '../../areas/units/service'
import { route } from '../../platform/route'

export default route(contract, async ({ who }) => ({ customers: await listCustomers(who) }))
