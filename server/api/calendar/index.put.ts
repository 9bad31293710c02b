import { makeCalendarLink as contract } from '../../../shared/contracts/schedule'
import { makeCalendarLink } from '../../areas/schedule/service'
import { route } from '../../platform/route'

export default route(contract, ({ who }) => makeCalendarLink(who))
