import { writeRules as contract } from '../../../shared/contracts/organisation'
import { writeRules } from '../../areas/organisation/service'
import { route } from '../../platform/route'

export default route(contract, ({ who, body }) => writeRules(who, body))
