import type { MeasurementSpec } from './contract'

/** Warmed slowly beside a thermometer, its leads off: it takes its time. */
export const HEATED: MeasurementSpec = { id: 'bench', type: 'bench', check: 'heated', when: 'isolated', minutes: 14 }

/** A valve taken off, air at its inlet, energised and not. */
export const BY_AIR: MeasurementSpec = {
  id: 'bench',
  type: 'bench',
  check: 'air',
  when: 'isolated',
  reach: 'joint',
  minutes: 9,
}
