import { importCustomers as contract } from '../../../shared/contracts/units'
import { importCustomers } from '../../areas/units/import'
import { route } from '../../platform/route'

export default route(contract, ({ who, body }) => importCustomers(who, body.rows, body.commit))
