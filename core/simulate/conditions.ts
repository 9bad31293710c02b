import type { Machine } from '../model/machine'
import type { Condition } from '../model/sheet'
import type { Plant } from './plant'

/** What a condition may look at besides the plant itself. */
export interface Scene {
  plant: Plant
  alarms: ReadonlySet<string>
  chatters: boolean
  /** Inner conditions of `ever` that have held at some settled moment. */
  ever: ReadonlySet<Condition>
}

/** Evaluates a condition at one moment. Pure. */
export function holds(machine: Machine, c: Condition, scene: Scene): boolean {
  switch (c.type) {
    case 'and':
      return c.of.every((x) => holds(machine, x, scene))
    case 'or':
      return c.of.some((x) => holds(machine, x, scene))
    case 'not':
      return !holds(machine, c.of, scene)
    case 'ever':
      return scene.ever.has(c) || holds(machine, c.of, scene)
    case 'after':
      return scene.plant.time - scene.plant.phaseSince >= c.seconds - 1e-9
    case 'alarm':
      return scene.alarms.has(c.code)
    case 'phase':
      return machine.phases[scene.plant.phase]?.id === c.phase
    case 'chatters':
      return scene.chatters
    case 'signal':
      return scene.plant.signal(machine.partIndex.get(c.part)!, c.signal) > 0.5
    case 'compare': {
      const value = scene.plant.signal(machine.partIndex.get(c.part)!, c.signal)
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
