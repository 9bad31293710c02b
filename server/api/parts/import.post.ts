import { importParts as contract } from '../../../shared/contracts/parts'
import { importParts } from '../../areas/parts/import'
import { route } from '../../platform/route'

export default route(contract, ({ who, body }) => importParts(who, body.rows, body.commit))
