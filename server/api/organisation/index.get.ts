import { readRules as contract } from '../../../shared/contracts/organisation'
import { rulesOf } from '../../areas/organisation/service'
import { route } from '../../platform/route'

export default route(contract, ({ who }) => rulesOf(who))
