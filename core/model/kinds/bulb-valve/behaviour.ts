import type { KindBehaviour } from '../contract'
import { modulating } from '../modulating'

export const kindBehaviour: KindBehaviour = modulating((part, point) => {
  const [shut, open] = [point.values[part.param['shuts-at']], point.values[part.param['opens-at']]]
  const share = (point.referredSignal(part, 'of', 'temperature') - shut) / (open - shut)
  return Math.min(1, Math.max(0, share))
})
