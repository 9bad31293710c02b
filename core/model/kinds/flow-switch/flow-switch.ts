import type { SensingSwitch } from '../sensing-switch'

/** A paddle or a piston that the water lifts. */
export const FLOW_SWITCH: SensingSwitch = {
  id: 'flow-switch',
  title: 'flow switch',
  signal: 'flow',
  dimension: 'flow',
  byHand: { below: 'its paddle let hang', above: 'its paddle lifted' },
  way: { free: 'its paddle moves freely', minutes: 3 },
  faults: {
    sticks: {
      title: 'paddle of the flow switch sticks',
      effects: [{ mode: 'way', at: 'blocked' }],
      ratePerYear: 0.02,
      saidWith: { tapping: 0.3, plumbing: 0.2 },
      cure: 'clean',
    },
    late: {
      title: 'flow switch asks for more water than it should',
      effects: [
        { param: 'trip', times: 'severity' },
        { param: 'return', times: 'severity' },
      ],
      severity: { from: 1.5, to: 4, scale: 'log' },
      ratePerYear: 0.008,
      cure: 'clean',
    },
  },
}
