import { motorSignals, stampMotor, turningTransition } from '../motor-winding'
import type { KindBehaviour } from '../contract'

export const kindBehaviour: KindBehaviour = {
  stamp: stampMotor,
  transition: turningTransition,
  signals: motorSignals,
  active: 'runs',
}
