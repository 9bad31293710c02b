import type { KindInterface } from '../contract'

export const kindInterface: KindInterface = {
  id: 'cut-out',
  title: 'over-temperature cut-out',
  line: 'power',
  terminals: ['1', '2'],
  ports: [],
  params: {
    'trips-at': { dimension: 'temperature' },
    ohms: { dimension: 'resistance', typical: '0.05 Ω ±60 %', min: 1e-6 },
  },
  refs: { of: 'temperature' },
  /** By what it is closed again: a button that stands out when it has tripped, or nothing, on one that trips once. */
  choices: { reset: ['hand', 'button', 'never'] },
  // Nothing in a run closes it again. Protection is never bridged.
  modes: [{ name: 'contact', values: ['tripped', 'closed'], initial: 1, stays: true }],
  jumperAllowed: false,
}
