export type * from './protocol'
export { useEngine } from './use-engine'
