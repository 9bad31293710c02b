import { coilModes, coilParams, coilSpec } from '../coil'
import type { KindSpec } from '../contract'

export const spec: KindSpec = {
  id: 'gas-valve',
  title: 'hot-gas valve',
  line: 'power',
  ...coilSpec,
  ports: [],
  params: {
    ...coilParams,
  },
  modes: [...coilModes, { name: 'seat', values: ['leaks', 'tight'], initial: 1 }],
}
