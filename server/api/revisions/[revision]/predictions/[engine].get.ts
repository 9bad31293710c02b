import { readPredictions as contract } from '../../../../../shared/contracts/sheets'
import { readPredictions } from '../../../../areas/sheets/service'
import { route } from '../../../../platform/route'

export default route(contract, ({ params }) => readPredictions(params.revision, params.engine))
