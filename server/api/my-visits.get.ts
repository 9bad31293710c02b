import { myVisitsFile as contract } from '../../shared/contracts/schedule'
import { myVisitsFile } from '../areas/schedule/service'
import { route } from '../platform/route'

export default route(contract, ({ who }) => myVisitsFile(who))
