import type { ReadingShape } from '../foundation/quantity'
import type { Machine } from '../model/machine'
import { findMeter } from '../simulation/instrument'

/** What an instrument can show at this machine at all, SI; a limit that is not known is left out. */
export interface PossibleRange {
  dimension: Extract<ReadingShape, { type: 'number' }>['dimension']
  lowest: number | undefined
  highest: number | undefined
  /** What sets the limit: the supply of the machine, or the instrument. */
  by: 'supply' | 'instrument'
}

/** A lost neutral or a second phase puts up to the square root of three on a part; nothing puts twice the supply there. */
const MOST_OF_SUPPLY = 2
/** Street mains stay below this, Pa; three times the supply of the sheet where that is more. */
const MOST_PRESSURE = 16e5
const MOST_OF_PRESSURE = 3
/** What a technician's thermometer spans, °C. */
const TEMPERATURES = { lowest: -60, highest: 500 }

/** The greatest nominal value of a parameter, over all parts that have one by this name. */
const mostOf = (machine: Machine, name: string): number =>
  Math.max(0, ...machine.params.filter((p) => p.id.endsWith(`.${name}`)).map((p) => p.nominal))

/** What a reading of this shape can be at this machine, with this instrument; `undefined` where it has no number. */
export function possibleRange(
  machine: Machine,
  shape: ReadingShape,
  instrument: string | undefined,
): PossibleRange | undefined {
  if (shape.type !== 'number') return undefined
  const { dimension } = shape
  const meter = instrument === undefined ? undefined : findMeter(instrument)
  switch (dimension) {
    case 'voltage': {
      const supply = Math.max(
        0,
        ...machine.parts
          .filter((p) => machine.kinds[p.index].returns?.of === 'supply')
          .map((p) => machine.params.find((x) => x.id === `${p.id}.volts`)?.nominal ?? 0),
      )
      const highest = supply ? supply * MOST_OF_SUPPLY : undefined
      const dc = meter?.coupling === 'dc'
      return { dimension, lowest: dc ? highest && -highest : 0, highest, by: 'supply' }
    }
    case 'resistance':
      return { dimension, lowest: 0, highest: meter?.range, by: 'instrument' }
    case 'pressure':
      return {
        dimension,
        lowest: 0,
        highest: Math.max(MOST_PRESSURE, MOST_OF_PRESSURE * mostOf(machine, 'pressure')),
        by: 'supply',
      }
    case 'temperature':
      return { dimension, ...TEMPERATURES, by: 'instrument' }
    default:
      return undefined
  }
}
