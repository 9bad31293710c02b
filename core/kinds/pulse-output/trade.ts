import type { KindTrade } from '../contract'

export const trade: KindTrade = {
  faults: {
    dead: { title: 'no pulses sent', effects: [{ mode: 'pulse', at: 'none' }], perYear: 0.01, cure: 'replace' },
    weak: {
      title: 'pulses too weak: battery or storage capacitor spent',
      effects: [{ param: 'volts', times: 'severity' }],
      severity: { from: 0.2, to: 0.55, scale: 'linear' },
      perYear: 0.06,
      cure: 'replace',
    },
  },
}
