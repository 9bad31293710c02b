export { listProcedures, type Bench } from './list-procedures'
export { findProcedure, readProbe, shapeWith } from './free-probe'
export { minutesTo, type Move, type Standing } from './minutes-to'
export type * from './types'
