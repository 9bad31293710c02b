import type { KindInterface } from '../contract'

export const kindInterface: KindInterface = {
  id: 'thermostat',
  title: 'thermostat',
  line: 'power',
  terminals: ['1', '2'],
  ports: [],
  choices: { opens: ['warm', 'cold'] },
  hysteresis: [['opens-at', 'closes-at', { choice: 'opens', is: 'cold' }]],
  params: {
    'opens-at': { description: 'temperature at which it opens', dimension: 'temperature' },
    'closes-at': { description: 'temperature at which it closes again', dimension: 'temperature' },
    ohms: { dimension: 'resistance', typical: '0.05 Ω ±60 %', min: 1e-6 },
  },
  refs: { of: 'temperature' },
  modes: [
    {
      name: 'snap',
      values: ['hot', 'cold'],
      initial: 1,
      byHand: { cold: 'ice held on its bulb', hot: 'its bulb warmed' },
    },
    { name: 'contact', values: ['open', 'closed', 'follows'], initial: 2 },
  ],
  interrupts: { mode: 'contact', value: 0 },
  jumperAllowed: true,
  forcible: ['snap'],
  leadLifts: true,
}
