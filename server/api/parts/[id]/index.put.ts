import { writePart as contract } from '../../../../shared/contracts/parts'
import { writePart } from '../../../areas/parts/service'
import { route } from '../../../platform/route'

export default route(contract, ({ who, params, body }) => writePart(who, params.id, body))
