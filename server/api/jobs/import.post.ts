import { importJob as contract } from '../../../shared/contracts/archive'
import { importJob } from '../../areas/archive/service'
import { route } from '../../platform/route'

export default route(contract, ({ who, file }) => importJob(who, file!))
