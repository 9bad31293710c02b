import { find as contract } from '../../shared/contracts/find'
import { findAnything } from '../areas/find/service'
import { route } from '../platform/route'

export default route(contract, ({ who, query }) => findAnything(who, query.q))
