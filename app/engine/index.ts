export type * from './protocol'
export { questionOf, type Asking } from './question'
export { useEngine } from './use-engine'
