import { packForDay as contract } from '../../shared/contracts/schedule'
import { packForDay } from '../areas/schedule/packing'
import { route } from '../platform/route'

export default route(contract, ({ who, query }) => packForDay(who, query))
