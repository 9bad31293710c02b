import type { SensingSwitch } from '../sensing-switch'

export const HUMIDITY_CONTROL: SensingSwitch = {
  id: 'humidity-control',
  title: 'humidity control',
  signal: 'humidity',
  dimension: 'ratio',
  worked: 'never',
  byHand: { below: 'dry air blown on its feeler', above: 'a damp cloth held round its feeler' },
  faults: {
    'acts-early': {
      title: 'humidity control acts too early',
      effects: [
        { param: 'trip', times: 'severity' },
        { param: 'return', times: 'severity' },
      ],
      severity: { from: 0.6, to: 0.8, scale: 'linear' },
      ratePerYear: 0.01,
      cure: 'replace',
    },
  },
}
