export { locateProblems, readSheet, flattenSheet, type FindSheet } from './read'
export { atomsOf, parseCondition, isControlOnly, type Condition } from './condition'
export { templateEffects } from './resolve/faults'
export { sheetSchema } from './schema'
export type * from './types'

/** Version of the sheet language: part of what names a revision, so that a new language makes new revisions. */
export const SHEET_LANGUAGE = 1
