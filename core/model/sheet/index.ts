export { dependenciesOf } from './dependencies'
export type { FindSheet } from './merge-sheet'
export { readSheet, readSheetWithSource, flattenSheet } from './read'
export {
  atomsOf,
  eversOf,
  isControlOnly,
  mapCondition,
  signalsIn,
  type Comparison,
  type Condition,
  type EverCondition,
} from './condition'
export { parseCondition } from './parse-condition'
export { faultTitle, templateEffects, templateTitle } from './resolve/faults'
export { RATINGS } from './resolve/ratings'
export { sheetJsonSchema } from './json-schema'
export type * from './types'

/** Version of the sheet language: part of what names a revision, so that a new language makes new revisions. */
export const SHEET_LANGUAGE = 1
