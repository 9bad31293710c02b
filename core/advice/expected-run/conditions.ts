import type { Dimension } from '../../foundation/quantity'
import type { Machine } from '../../model/machine'

/** Parameters that were measured on the spot, SI by id: temperature of the water, of the room. */
export type Conditions = Readonly<Record<string, number>>

/** The same by the place of the parameter; what the machine does not have is left out. */
export const measuredValues = ({ params }: Machine, conditions: Conditions): Map<number, number> =>
  new Map(
    Object.entries(conditions).flatMap(([id, si]) => {
      const param = params.find((p) => p.id === id)
      return param ? [[param.index, si] as const] : []
    }),
  )

/** What of a machine can be measured beside it before it is run: the room, and the water where it comes in. */
export function conditionsOf(machine: Machine): { id: string; title: string; dimension: Dimension; usual: number }[] {
  const { params, parts, kinds } = machine
  return params.flatMap(({ id, dimension, nominal }) => {
    if (id === 'ambient') return [{ id, title: 'Temperature of the room', dimension, usual: nominal }]
    const [of, name] = [id.slice(0, id.lastIndexOf('.')), id.slice(id.lastIndexOf('.') + 1)]
    const part = parts.find((p) => p.id === of)
    // Where water comes in, and nothing but that.
    if (!part || kinds[part.index].line !== 'water' || !kinds[part.index].ports.includes('street')) return []
    if (name !== 'temperature' && name !== 'pressure') return []
    return [{ id, title: `${part.title}: ${name}`, dimension, usual: nominal }]
  })
}
