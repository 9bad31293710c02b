import { exportJob as contract } from '../../../../shared/contracts/archive'
import { exportJob } from '../../../areas/archive/service'
import { route } from '../../../platform/route'

export default route(contract, ({ who, params }) => exportJob(who, params.id))
