import { readShopRecord as contract } from '../../../../shared/contracts/jobs'
import { readShopRecord } from '../../../areas/jobs/service'
import { route } from '../../../platform/route'

export default route(contract, ({ who, params }) => readShopRecord(who, params.id))
