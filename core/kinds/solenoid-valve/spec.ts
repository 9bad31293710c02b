import { coilModes, coilParams, coilSpec } from '../coil'
import type { KindSpec } from '../contract'

export const spec: KindSpec = {
  id: 'solenoid-valve',
  title: 'solenoid valve',
  line: 'water',
  ...coilSpec,
  ports: ['in', 'out'],
  params: {
    ...coilParams,
    'opens-at': { dimension: 'pressure', typical: '0.3 bar ±20 %', least: 0 },
    passes: { dimension: 'flow', typical: '20 L/min ±8 %', least: 1e-9 },
    rated: { dimension: 'flow', typical: '14 L/min ±8 %', least: 1e-9 },
  },
  words: { rest: ['closed', 'open'] },
  modes: [...coilModes, { name: 'passage', values: ['closed', 'open'], initial: 0 }],
}
