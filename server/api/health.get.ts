import { readHealth } from '../../shared/contracts/health'
import { checkReady } from '../platform/ready'
import { route } from '../platform/route'

export default route(readHealth, async () => {
  await checkReady()
  return { ok: true as const }
})
