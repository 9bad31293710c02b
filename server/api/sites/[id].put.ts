import { updateSite } from '../../../shared/contracts/units'
import { renameSite } from '../../areas/units/service'
import { route } from '../../platform/route'

export default route(updateSite, async ({ who, params, body }) => ({
  site: await renameSite(who, params.id, body.name),
}))
