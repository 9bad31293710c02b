import { readPart as contract } from '../../../../shared/contracts/parts'
import { readPart } from '../../../areas/parts/service'
import { route } from '../../../platform/route'

export default route(contract, ({ who, params }) => readPart(who, params.id))
