import type { SensingSwitch } from '../sensing-switch'

/** Works at the pressure of a line or of steam, not at a column of water. */
export const PRESSURE_CONTROL: SensingSwitch = {
  id: 'pressure-control',
  title: 'pressure control',
  signal: 'pressure',
  dimension: 'pressure',
  worked: 'never',
  byHand: { below: 'its line vented', above: 'air put on its line' },
  way: { free: 'its line is clear', minutes: 3 },
  faults: {
    blocked: {
      title: 'line of the pressure control blocked',
      effects: [{ mode: 'way', at: 'blocked' }],
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
