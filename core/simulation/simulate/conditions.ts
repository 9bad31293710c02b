import type { Comparison, Condition } from '../../model/sheet'
import type { OperatingPoint } from './operating-point'

/** What a condition may look at. */
export interface ConditionScope {
  readonly point: OperatingPoint
  /** Alarms that are on. */
  readonly alarms: ReadonlySet<number>
  readonly chatters: boolean
  /** Conditions of `ever` whose inner condition has held at some stable moment. */
  readonly ever: ReadonlySet<Condition<number>>
}

/** Slack of a time limit, s: what rounding leaves of a moment that was aimed at. */
const TIME_SLACK = 1e-9

/** Whether a condition holds at one moment; numbers of the condition in SI, its times in s from the begin of the phase. Pure. */
export function conditionHolds(c: Condition<number>, scope: ConditionScope): boolean {
  const { point } = scope
  switch (c.type) {
    case 'and':
      return c.of.every((inner) => conditionHolds(inner, scope))
    case 'or':
      return c.of.some((inner) => conditionHolds(inner, scope))
    case 'not':
      return !conditionHolds(c.of, scope)
    case 'ever':
      return scope.ever.has(c) || conditionHolds(c.of, scope)
    case 'after':
      return point.time - point.phaseSince >= c.seconds - TIME_SLACK
    case 'alarm':
      return scope.alarms.has(c.alarm)
    case 'phase':
      return point.phase === c.phase
    case 'chatters':
      return scope.chatters
    case 'signal':
      return point.signal(c.part, c.signal) > 0.5
    case 'compare':
      return compares(point.signal(c.part, c.signal), c.op, c.si)
    case 'compare-signals':
      return compares(point.signal(c.part, c.signal), c.op, point.signal(c.other.part, c.other.signal))
  }
}

function compares(value: number, op: Comparison, bound: number): boolean {
  switch (op) {
    case '>=':
      return value >= bound
    case '<=':
      return value <= bound
    case '>':
      return value > bound
    case '<':
      return value < bound
  }
}
