import type { KindInterface } from '../contract'

export const kindInterface: KindInterface = {
  id: 'float-switch',
  title: 'float switch',
  line: 'level',
  terminals: ['1', '2'],
  ports: [],
  hysteresis: [['trip', 'return']],
  params: {
    trip: { dimension: 'length', min: 0 },
    return: { dimension: 'length', min: 0 },
    ohms: { dimension: 'resistance', typical: '0.1 Ω ±50 %', min: 1e-6 },
  },
  choices: { 'on-rise': ['closes', 'opens'] },
  refs: { of: 'level' },
  modes: [
    { name: 'float', values: ['down', 'up'], initial: 0 },
    { name: 'guide', values: ['jammed-down', 'jammed-up', 'free'], initial: 2 },
    { name: 'reed', values: ['open', 'closed', 'follows'], initial: 2 },
  ],
  jumperAllowed: false,
  forcible: ['float'],
  leadLifts: true,
}
