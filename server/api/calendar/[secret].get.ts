import { readCalendar as contract } from '../../../shared/contracts/schedule'
import { calendarBehind } from '../../areas/schedule/service'
import { route } from '../../platform/route'

export default route(contract, ({ params }) => calendarBehind(params.secret))
