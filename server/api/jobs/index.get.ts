import { listJobs } from '../../../shared/contracts/jobs'
import { pageOfJobs } from '../../areas/jobs/service'
import { route } from '../../platform/route'

export default route(listJobs, ({ who, query }) => pageOfJobs(who, query))
