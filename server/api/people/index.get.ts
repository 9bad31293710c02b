import { listPeople as contract } from '../../../shared/contracts/people'
import { listPeople } from '../../areas/session/service'
import { route } from '../../platform/route'

export default route(contract, ({ who }) => listPeople(who))
