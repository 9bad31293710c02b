import { readJob as contract } from '../../../../shared/contracts/jobs'
import { readJob } from '../../../areas/jobs/service'
import { route } from '../../../platform/route'

export default route(contract, ({ who, params, query }) => readJob(who, params.id, query.after))
