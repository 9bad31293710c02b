import type { Machine } from '../../model/machine'
import type { Curve } from '../../running'
import { describeLane } from '../../words'
import type { MachineCourse } from './course-of'

/** More have no room. */
const MOST_CURVES = 4
/** What moves by less stands still: m, K. */
const MOVES = { length: 0.003, temperature: 3 } as const

/** Levels, temperatures and pressures of what holds water, those that move. */
export function curvesOf(machine: Machine, { points }: MachineCourse): Curve[] {
  return machine.parts
    .flatMap((part) =>
      Object.entries(machine.kinds[part.index].signals ?? {}).flatMap(([signal, { dimension }]): Curve[] => {
        if (!machine.kinds[part.index].states?.length) return []
        if (dimension !== 'length' && dimension !== 'temperature') return []
        const values = points.map(({ at, point }) => [at, point.signal(part.index, signal)] as const)
        const [least, most] = [Math.min(...values.map((v) => v[1])), Math.max(...values.map((v) => v[1]))]
        if (most - least <= MOVES[dimension]) return []
        return [
          { id: `${part.id}.${signal}`, title: describeLane(machine, part.index, signal), dimension, points: values },
        ]
      }),
    )
    .slice(0, MOST_CURVES)
}
