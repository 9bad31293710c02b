import { importUnits as contract } from '../../../shared/contracts/units'
import { importUnits } from '../../areas/units/import'
import { route } from '../../platform/route'

export default route(contract, ({ who, body }) => importUnits(who, body.rows, body.commit))
