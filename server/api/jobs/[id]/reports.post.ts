import { askForReport as contract } from '../../../../shared/contracts/reports'
import { askForReport } from '../../../areas/reports/service'
import { route } from '../../../platform/route'

export default route(contract, ({ who, params, body }) => askForReport(who, params.id, body))
