import { readShopRecordNow as contract } from '../../../../shared/contracts/jobs'
import { readShopRecordNow } from '../../../areas/jobs/service'
import { route } from '../../../platform/route'

export default route(contract, ({ who, params }) => readShopRecordNow(who, params.id))
