export { influenceOf } from './influence'
export { newNetworkCache, type NetworkCache } from './networks'
export { OperatingPoint } from './operating-point'
export { simulate, type Moment, type Script, type Timeline, type TimelineEvent } from './simulate'
