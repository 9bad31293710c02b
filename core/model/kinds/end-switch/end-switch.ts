import type { SensingSwitch } from '../sensing-switch'

/** Says that what travels has come to its end. */
export const END_SWITCH: SensingSwitch = {
  id: 'end-switch',
  title: 'end switch',
  signal: 'travel',
  dimension: 'ratio',
  byHand: { below: 'its lever let go', above: 'its lever pressed' },
  faults: {
    displaced: {
      title: 'end switch displaced: acts too late',
      effects: [
        { param: 'trip', plus: 'severity' },
        { param: 'return', plus: 'severity' },
      ],
      severity: { from: 0.05, to: 0.3, scale: 'linear' },
      ratePerYear: 0.008,
      cure: 'restore',
    },
  },
}
