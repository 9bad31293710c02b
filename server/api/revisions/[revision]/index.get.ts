import { setResponseHeader } from 'h3'
import { readRevision as contract } from '../../../../shared/contracts/sheets'
import { readRevision } from '../../../areas/sheets/service'
import { route } from '../../../platform/route'

export default route(contract, async ({ event, params }) => {
  const revision = await readRevision(params.revision)
  // A revision never changes; the device may keep it as long as it likes.
  setResponseHeader(event, 'cache-control', 'private, max-age=31536000, immutable')
  return revision
})
