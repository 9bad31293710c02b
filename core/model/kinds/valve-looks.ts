import type { MeasurementSpec } from './contract'

/** Whether water runs through a valve that nobody calls for. */
export const PASSES_OFF: MeasurementSpec = {
  id: 'passes-off',
  type: 'sense',
  signal: 'passes',
  sense: 'eye',
  plain: true,
  when: 'isolated',
  underPressure: true,
}
