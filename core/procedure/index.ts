export { listProcedures, type Bench } from './list-procedures'
export { minutesTo, type Move, type Standing } from './minutes-to'
export type * from './types'
