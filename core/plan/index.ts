export { ORDERS, outcomesOf, plan, type Order, type Outcome, type Plan, type Remedy, type Suggestion } from './plan'
