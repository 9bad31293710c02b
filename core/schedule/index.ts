export { daysOf, descaleEvery, dueOn, overdueBy, type Care } from './care'
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
export { clockText, dayAfter, daysBetween, localOf, momentOf, readClock, type LocalTime } from './local-time'
