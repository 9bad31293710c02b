import { shopFigures as contract } from '../../../shared/contracts/figures'
import { shopFigures } from '../../areas/figures/service'
import { route } from '../../platform/route'

export default route(contract, ({ who, query }) => shopFigures(who, query))
