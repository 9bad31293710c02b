import type { KindBehaviour } from '../contract'
import { modulating } from '../modulating'

export const kindBehaviour: KindBehaviour = modulating((part, point) => {
  const { values } = point
  const fallen = values[part.param['shuts-at']] - point.referredSignal(part, 'of', 'level')
  return Math.min(1, Math.max(0, fallen / values[part.param.over]))
})
