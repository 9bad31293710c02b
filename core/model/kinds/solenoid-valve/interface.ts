import { coilModes, coilParams, coilInterface } from '../coil'
import type { KindInterface } from '../contract'

export const kindInterface: KindInterface = {
  id: 'solenoid-valve',
  title: 'solenoid valve',
  line: 'water',
  ...coilInterface,
  ports: ['in', 'out'],
  params: {
    ...coilParams,
    'opens-at': { dimension: 'pressure', typical: '0.3 bar ±20 %', min: 0 },
    passes: { dimension: 'flow', typical: '20 L/min ±8 %', min: 1e-9 },
    rated: { dimension: 'flow', typical: '14 L/min ±8 %', min: 1e-9 },
  },
  choices: { rest: ['closed', 'open'] },
  modes: [...coilModes, { name: 'passage', values: ['closed', 'open'], initial: 0 }],
}
