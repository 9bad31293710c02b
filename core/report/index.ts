export type * from './contract'
export { reportOf } from './report-of'
export { toCsv } from './to-csv'
