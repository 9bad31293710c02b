import { appendEvents } from '../../../../shared/contracts/jobs'
import { appendToJob } from '../../../areas/jobs/service'
import { route } from '../../../platform/route'

export default route(appendEvents, ({ who, params, body }) => appendToJob(who, params.id, body.events, body.sentAt))
