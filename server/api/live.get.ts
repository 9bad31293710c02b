import { readLive } from '../../shared/contracts/health'
import { route } from '../platform/route'

export default route(readLive, () => Promise.resolve({ ok: true as const }))
