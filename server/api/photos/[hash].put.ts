import { writePhoto as contract } from '../../../shared/contracts/photos'
import { writePhoto } from '../../areas/photos/service'
import { route } from '../../platform/route'

export default route(contract, ({ who, params, file }) => writePhoto(who, params.hash, file!))
