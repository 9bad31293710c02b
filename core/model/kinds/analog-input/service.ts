import type { KindService } from '../contract'

export const kindService: KindService = {
  probes: () => [{ id: 'figure', what: 'display', signal: 'level', when: 'settled' }],
}
