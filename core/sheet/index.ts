export { readSheet, type FindSheet } from './read'
export { atomsOf, parseCondition, type Condition } from './condition'
export { sheetShape } from './shape'
export type * from './types'
