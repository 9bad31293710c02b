import type { KindInterface } from '../contract'

export const kindInterface: KindInterface = {
  id: 'relay',
  title: 'relay',
  line: 'power',
  terminals: ['a', 'b', 'com', 'no', 'nc'],
  insulated: [
    ['a', 'b'],
    ['com', 'no', 'nc'],
  ],
  ports: [],
  windings: ['ohms'],
  hysteresis: [['pull-in', 'drop-out']],
  params: {
    ohms: { dimension: 'resistance', min: 1 },
    henries: { description: 'pulled in', dimension: 'inductance', typical: '2 H ±20 %', min: 1e-6 },
    released: {
      description: 'share of it while released: the less, the more it draws as it pulls in; 10 to 20 % on contactors',
      dimension: 'ratio',
      typical: '60 % ±15 %',
      min: 0.01,
      max: 1,
    },
    'pull-in': { dimension: 'voltage' },
    'drop-out': { dimension: 'voltage' },
    'contact-ohms': { dimension: 'resistance', typical: '0.05 Ω ±60 %', min: 1e-6 },
  },
  modes: [
    { name: 'coil', values: ['open', 'whole'], initial: 1 },
    { name: 'armature', values: ['released', 'pulled'], initial: 0 },
    { name: 'no', values: ['burnt', 'good'], initial: 1 },
  ],
}
