import { erasePerson as contract } from '../../../shared/contracts/erasure'
import { erasePerson } from '../../areas/erasure/service'
import { route } from '../../platform/route'

export default route(contract, ({ who, params }) => erasePerson(who, params.id))
