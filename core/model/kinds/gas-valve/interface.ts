import { coilModes, coilParams, coilInterface } from '../coil'
import type { KindInterface } from '../contract'

export const kindInterface: KindInterface = {
  id: 'gas-valve',
  title: 'hot-gas valve',
  line: 'power',
  ...coilInterface,
  endangers: 'pressure',
  ports: [],
  params: {
    ...coilParams,
  },
  /** Without it running no hot gas comes, whatever the valve does. */
  optionalRefs: { compressor: 'runs' },
  modes: [...coilModes, { name: 'seat', values: ['leaks', 'tight'], initial: 1 }],
}
