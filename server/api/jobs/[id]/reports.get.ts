import { listReports as contract } from '../../../../shared/contracts/reports'
import { listReports } from '../../../areas/reports/service'
import { route } from '../../../platform/route'

export default route(contract, ({ who, params }) => listReports(who, params.id))
