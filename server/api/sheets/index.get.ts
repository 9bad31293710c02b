import { listSheets as contract } from '../../../shared/contracts/sheets'
import { listSheets } from '../../areas/sheets/service'
import { route } from '../../platform/route'

export default route(contract, async () => ({ sheets: await listSheets() }))
