import { formatQuantity, type Dimension, type ReadingValue } from '../foundation/quantity'

/** Why a reading cannot be what the instrument showed; empty where it can. */
export function describeImpossible(
  value: ReadingValue,
  range:
    | { dimension: Dimension; lowest: number | undefined; highest: number | undefined; by: 'supply' | 'instrument' }
    | undefined,
): string {
  if (!range || value.type !== 'value') return ''
  const { dimension, lowest, highest, by } = range
  const own = formatQuantity(value.si, dimension)
  if (lowest !== undefined && value.si < lowest)
    return dimension === 'voltage' && lowest === 0
      ? `Volts AC have no sign: ${own} is not what the meter shows. Is it on DC?`
      : `${own} is below what can be read here (${formatQuantity(lowest, dimension)}). Look at the sign and the unit.`
  if (highest === undefined || value.si <= highest) return ''
  return by === 'supply'
    ? `${own} cannot stand there: nothing on this machine’s supply gives more than ${formatQuantity(highest, dimension)}. Look at the range, the point and the unit.`
    : `${own} is beyond what the instrument shows (${formatQuantity(highest, dimension)}). Look at the range and the unit.`
}
