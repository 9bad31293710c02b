import { sensingService } from '../sensing-switch'
import type { KindService } from '../contract'
import { FLOW_SWITCH } from './flow-switch'
import { DEAD, WATER_OFF, NO_DROP, DESCALER, wetSwitchChanged } from '../works'

export const kindService: KindService = {
  ...sensingService(FLOW_SWITCH),
  works: {
    replace: wetSwitchChanged('open at rest, near zero with its paddle or plunger moved by hand, ten times'),
    clean: {
      steps: [
        WATER_OFF,
        DEAD,
        'Take <it> out, note its arrow; plunger or paddle out in its order',
        DESCALER,
        'Moves by its own weight again, works its contact ten of ten',
        'Back with its arrow with the water',
        NO_DROP,
      ],
    },
  },
}
