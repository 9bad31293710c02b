import type { MeasurementSpec } from './contract'

/** The same after a call at hardly any pressure. */
export const SHUTS_AT_LOW_PRESSURE: MeasurementSpec = {
  id: 'throttled',
  type: 'throttled',
  signal: 'passes',
  wakes: 'passage',
  sense: 'eye',
  when: 'isolated',
  underPressure: true,
  afterCall: true,
}

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
