import type { KindInterface } from '../contract'

/** A motor's overload: its heater carries the motor's current, its contact stands in the control circuit. */
export const kindInterface: KindInterface = {
  id: 'overload',
  title: 'motor overload',
  line: 'power',
  terminals: ['1', '2'],
  ports: [],
  params: {
    'trips-at': { description: 'current of the motor at which it trips', dimension: 'current', min: 0.01 },
    after: { description: 'time of such a current until it trips', dimension: 'time', typical: '8 s ±30 %', min: 0.1 },
    ohms: { dimension: 'resistance', typical: '0.05 Ω ±60 %', min: 1e-6 },
  },
  refs: { of: 'runs' },
  // It is reset by hand, once it has cooled. Protection is never bridged.
  modes: [
    { name: 'overloaded', values: ['no', 'yes'], initial: 0 },
    { name: 'contact', values: ['tripped', 'closed'], initial: 1, stays: true },
  ],
  jumperAllowed: false,
}
