export {
  ORDERS,
  momentKey,
  outcomesOf,
  plan,
  STANDS_ABOVE,
  WORKED,
  type PlanState,
  type Order,
  type Outcome,
  type Plan,
  type Remedy,
  type Suggestion,
} from './plan'
export { costsOf, costToGo, repairCost, type Costs } from './costs'
export { lookAhead, type Choice, type Table } from './lookahead'
