export { buildMachine, indexFault } from './build-machine'
export { makeVariant } from './make-variant'
export { severityNodes } from './severity-nodes'
export type * from './types'
