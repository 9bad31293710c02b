import type { KindService } from '../contract'

export const kindService: KindService = {
  measurements: () => [{ id: 'figure', type: 'display', signal: 'level', when: 'settled' }],
}
