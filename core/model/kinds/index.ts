import { KINDS } from './all-kinds'
import type { Kind } from './contract'

const BY_ID = new Map(KINDS.map((k) => [k.id, k]))

/** The kind of an id, `undefined` when there is none. */
export const findKind = (id: string): Kind | undefined => BY_ID.get(id)

export { KINDS }
export { mayBeBridged } from './may-be-bridged'
export { CIRCUMSTANCES, CIRCUMSTANCE_IDS, type CircumstanceId, type SaidWith } from './circumstances'
export {
  isPlacedInstrument,
  PLACED_INSTRUMENT_IDS,
  PLACED_INSTRUMENTS,
  SENSE_IDS,
  type PlacedInstrument,
} from './placed-instruments'
export type * from './contract'
