import { sensingService } from '../sensing-switch'
import type { KindService } from '../contract'
import { PRESSURE_CONTROL } from './pressure-control'
import { COOL, changed } from '../works'

export const kindService: KindService = {
  ...sensingService(PRESSURE_CONTROL),
  works: {
    replace: changed(
      'closed at rest; opens and closes again on regulated air at its set points',
      COOL,
      'Undo its line slowly, cap it',
    ),
    clean: {
      steps: [
        COOL,
        'Undo its line at both ends and blow it clear; a siphon loop is filled with water again',
        'Joints tight, heated once under watch: it stops at its set point',
      ],
    },
    restore: {
      steps: [
        'Note the setting as found',
        'Turn it a little at a time, one run for each turn, the gauge read at stop and at start',
        {
          do: 'Left at the setting of the sheet and written down',
          caution: 'Never above what the relief valve is made for',
        },
      ],
    },
  },
}
