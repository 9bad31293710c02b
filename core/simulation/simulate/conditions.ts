import type { Machine } from '../../model/machine'
import type { Condition } from '../../model/sheet'
import type { OperatingPoint } from './operating-point'

/** What a condition may look at besides the operating point itself. */
export interface ConditionScope {
  point: OperatingPoint
  alarms: ReadonlySet<string>
  chatters: boolean
  /** Inner conditions of `ever` that have held at some settled moment. */
  ever: ReadonlySet<Condition>
}

/** Evaluates a condition at one moment. Pure. */
export function conditionHolds(machine: Machine, c: Condition, scene: ConditionScope): boolean {
  switch (c.type) {
    case 'and':
      return c.of.every((x) => conditionHolds(machine, x, scene))
    case 'or':
      return c.of.some((x) => conditionHolds(machine, x, scene))
    case 'not':
      return !conditionHolds(machine, c.of, scene)
    case 'ever':
      return scene.ever.has(c) || conditionHolds(machine, c.of, scene)
    case 'after':
      return scene.point.time - scene.point.phaseSince >= c.seconds - 1e-9
    case 'alarm':
      return scene.alarms.has(c.code)
    case 'phase':
      return machine.phases[scene.point.phase]?.id === c.phase
    case 'chatters':
      return scene.chatters
    case 'signal':
      return scene.point.signal(machine.partIndex.get(c.part)!, c.signal) > 0.5
    case 'compare': {
      const value = scene.point.signal(machine.partIndex.get(c.part)!, c.signal)
      switch (c.op) {
        case '>=':
          return value >= c.si
        case '<=':
          return value <= c.si
        case '>':
          return value > c.si
        case '<':
          return value < c.si
      }
    }
  }
}

export type Ever = Condition & { type: 'not' | 'ever' }

/** Every `ever` inside a condition, with its inner condition. */
export function* eversOf(c: Condition): Generator<Ever> {
  if (c.type === 'ever') yield c
  if (c.type === 'and' || c.type === 'or') for (const x of c.of) yield* eversOf(x)
  if (c.type === 'not' || c.type === 'ever') yield* eversOf(c.of)
}
