export { newPlantCache, Plant, type PlantCache } from './plant'
export { simulate, type Moment, type Script, type Timeline, type TimelineEvent } from './simulate'
