import { readReportFile as contract } from '../../../../shared/contracts/reports'
import { readReportFile } from '../../../areas/reports/service'
import { route } from '../../../platform/route'

export default route(contract, ({ who, params }) => readReportFile(who, params.id))
