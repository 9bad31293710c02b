export { Plant, type CircuitCache } from './plant'
export { simulate, type Moment, type Script, type Timeline, type TimelineEvent } from './simulate'
