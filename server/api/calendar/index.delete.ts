import { revokeCalendarLink as contract } from '../../../shared/contracts/schedule'
import { revokeCalendarLink } from '../../areas/schedule/service'
import { route } from '../../platform/route'

export default route(contract, ({ who }) => revokeCalendarLink(who))
