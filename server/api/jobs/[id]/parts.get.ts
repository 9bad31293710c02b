import { partsForJob as contract } from '../../../../shared/contracts/parts'
import { partsForJob } from '../../../areas/jobs/service'
import { route } from '../../../platform/route'

export default route(contract, ({ who, params }) => partsForJob(who, params.id))
