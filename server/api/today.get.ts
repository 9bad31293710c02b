import { readToday as contract } from '../../shared/contracts/schedule'
import { notesForToday } from '../areas/schedule/service'
import { route } from '../platform/route'

export default route(contract, ({ who }) => notesForToday(who))
