import { readPhoto as contract } from '../../../shared/contracts/photos'
import { readPhoto } from '../../areas/photos/service'
import { route } from '../../platform/route'

export default route(contract, ({ who, params }) => readPhoto(who, params.hash))
