import type { KindService } from '../contract'
import { controlChanged } from '../works'

export const kindService: KindService = {
  measurements: () => [{ id: 'figure', type: 'display', signal: 'level', when: 'settled' }],
  works: {
    replace: controlChanged,
  },
}
