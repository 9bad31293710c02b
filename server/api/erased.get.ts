import { erasedSince as contract } from '../../shared/contracts/erasure'
import { erasedSince } from '../areas/erasure/service'
import { route } from '../platform/route'

export default route(contract, ({ who, query }) => erasedSince(who, query.after))
