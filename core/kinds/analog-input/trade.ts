import type { KindTrade } from '../contract'

export const trade: KindTrade = {
  probes: () => [{ id: 'figure', what: 'display', signal: 'level', when: 'settled' }],
}
