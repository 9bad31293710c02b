import { toPlace as contract } from '../../shared/contracts/schedule'
import { toPlace } from '../areas/schedule/service'
import { route } from '../platform/route'

export default route(contract, ({ who }) => toPlace(who))
