import type { KindService } from '../contract'
import { controlChanged } from '../works'

export const kindService: KindService = {
  faults: {
    dead: { title: 'no pulses sent', effects: [{ mode: 'pulse', at: 'none' }], ratePerYear: 0.01, cure: 'replace' },
    weak: {
      title: 'pulses too weak: battery or storage capacitor spent',
      effects: [{ param: 'volts', times: 'severity' }],
      severity: { from: 0.2, to: 0.55, scale: 'linear' },
      ratePerYear: 0.06,
      cure: 'replace',
    },
  },
  works: {
    replace: controlChanged,
  },
}
