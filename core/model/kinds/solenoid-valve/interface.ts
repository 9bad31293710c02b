import { coilModes, coilParams, coilInterface } from '../coil'
import type { KindInterface } from '../contract'

export const kindInterface: KindInterface = {
  id: 'solenoid-valve',
  title: 'solenoid valve',
  line: 'water',
  ...coilInterface,
  // 12 V DC, 24 V, 120 V and 230 V: the trade's figures for water inlet valves.
  windingBands: [
    [7, 14],
    [15, 65],
    [450, 1700],
    [2000, 5500],
  ],
  ports: ['in', 'out'],
  params: {
    ...coilParams,
    'opens-at': { dimension: 'pressure', typical: '0.3 bar ±20 %', min: 0 },
    passes: { dimension: 'flow', typical: '20 L/min ±8 %', min: 1e-9 },
    rated: { dimension: 'flow', typical: '14 L/min ±8 %', min: 1e-9 },
  },
  choices: { rest: ['closed', 'open'] },
  modes: [...coilModes, { name: 'passage', values: ['closed', 'open'], initial: 0 }],
  leadLifts: true,
}
