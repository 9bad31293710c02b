export {
  ORDERS,
  comesAt,
  plan,
  STANDS_ABOVE,
  type PlanState,
  type Order,
  type Plan,
  type Remedy,
  type Suggestion,
  type Unlisted,
} from './plan'
export { outcomesOf, WORKED, type Outcome } from './outcomes'
export { costsOf, costToGo, repairCost, type Costs } from './costs'
export { lookAhead, type Choice, type Table } from './lookahead'
