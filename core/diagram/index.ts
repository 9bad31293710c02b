export { traceLines, type TracedLine, type TracedLines } from './trace-lines'
