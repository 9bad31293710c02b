import { readCalendarLink as contract } from '../../../shared/contracts/schedule'
import { calendarLink } from '../../areas/schedule/service'
import { route } from '../../platform/route'

export default route(contract, ({ who }) => calendarLink(who))
