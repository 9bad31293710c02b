import type { SensingSwitch } from '../sensing-switch'

/** Works at the pressure of a line or of steam, not at a column of water. */
export const PRESSURE_CONTROL: SensingSwitch = {
  id: 'pressure-control',
  title: 'pressure control',
  signal: 'pressure',
  dimension: 'pressure',
  byHand: { below: 'its line vented', above: 'air put on its line' },
  faults: {
    blocked: {
      title: 'line of the pressure control blocked',
      effects: [{ mode: 'snap', at: 'below' }],
      ratePerYear: 0.012,
      cure: 'clean',
    },
    'set-low': {
      title: 'pressure control acts too low',
      effects: [
        { param: 'trip', times: 'severity' },
        { param: 'return', times: 'severity' },
      ],
      severity: { from: 0.3, to: 0.75, scale: 'log' },
      ratePerYear: 0.008,
      cure: 'restore',
    },
  },
}
