export { daysOf, descaleEvery, dueOn, type Care } from './care'
export {
  clashesIn,
  firstFree,
  inOrder,
  placeInLane,
  visitLength,
  type Clash,
  type LaneVisit,
  type WorkDay,
} from './lane'
export {
  beginOfDay,
  clockText,
  dayAfter,
  daysBetween,
  localOf,
  momentOf,
  readClock,
  type LocalTime,
} from './local-time'
