import type { Dimension } from '../../foundation/quantity'
import type { Sense } from './contract'

export const SENSE_IDS = ['eye', 'ear', 'hand'] as const satisfies readonly Sense[]

/** Instruments that are put to a thing, or into it, and read there, with what they read; the machine's own display shows whatever its control knows. */
export const PLACED_INSTRUMENTS = {
  rule: 'length',
  thermometer: 'temperature',
  gauge: 'pressure',
  counter: 'frequency',
  'conductivity-meter': 'conductivity',
  display: 'any',
} as const satisfies Record<string, Dimension | 'any'>

export type PlacedInstrument = keyof typeof PLACED_INSTRUMENTS

export const PLACED_INSTRUMENT_IDS = Object.keys(PLACED_INSTRUMENTS) as [PlacedInstrument, ...PlacedInstrument[]]
export const isPlacedInstrument = (word: string): word is PlacedInstrument => word in PLACED_INSTRUMENTS
