export { influenceOf } from './influence'
export { newPlantCache, type PlantCache } from './networks'
export { Plant } from './plant'
export { simulate, type Moment, type Script, type Timeline, type TimelineEvent } from './simulate'
