export { traceLines } from './trace-lines'
export type { TracedLine, TracedLines } from './types'
