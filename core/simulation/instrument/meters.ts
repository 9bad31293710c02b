import type { Sense } from '../../model/kinds'
import type { Dimension } from '../../foundation/quantity'

/**
 * An instrument as the trade carries it. Its accuracy is `gain` (share of the reading, shared by all readings of
 * that instrument in a visit) and `resolution` (independent, in SI), both one standard deviation.
 */
export interface Meter {
  id: string
  title: string
  dimension: Dimension
  gain: number
  resolution: number
  /** What it may show where there is nothing, the same for the whole visit: hum it picks up, its own zero. */
  zero?: number
  /** What of a voltage it shows: the RMS of the AC part, or the mean. */
  coupling?: 'ac' | 'dc'
  /** Input resistance of a voltmeter, Ω. */
  inputResistance?: number
  /** Above this an ohmmeter shows OL, Ω. */
  range?: number
  /** It says yes or no, by a threshold that differs from one tester to the next (SI, log-uniform between the two). */
  threshold?: { from: number; to: number }
}

const volts = { dimension: 'voltage', gain: 0.007, resolution: 0.15, zero: 0.35, inputResistance: 10e6 } as const
const lowZ = { dimension: 'voltage', gain: 0.012, resolution: 0.4, zero: 0.1, inputResistance: 3e3 } as const

/** Every instrument. A new one goes to the end: shared parameters are numbered by this order. */
export const METERS: readonly Meter[] = [
  { id: 'volts', title: 'volts AC, 10 MΩ input', ...volts, coupling: 'ac' },
  { id: 'volts-lowz', title: 'volts AC, low-impedance input', ...lowZ, coupling: 'ac' },
  { id: 'ohms', title: 'ohms', dimension: 'resistance', gain: 0.006, resolution: 0.15, range: 40e6 },
  { id: 'clamp', title: 'clamp meter', dimension: 'current', gain: 0.02, resolution: 0.01 },
  { id: 'gauge', title: 'pressure gauge', dimension: 'pressure', gain: 0.02, resolution: 0.05e5 },
  { id: 'bucket', title: 'bucket and stopwatch', dimension: 'flow', gain: 0.04, resolution: 0.15e-3 / 60 },
  { id: 'stopwatch', title: 'stopwatch', dimension: 'time', gain: 0.002, resolution: 1.5 },
  { id: 'rule', title: 'rule', dimension: 'length', gain: 0.01, resolution: 4e-3 },
  { id: 'display', title: 'service display', dimension: 'length', gain: 0, resolution: 2e-3 },
  { id: 'volts-dc', title: 'volts DC, 10 MΩ input', ...volts, resolution: 0.02, zero: 0.02, coupling: 'dc' },
  { id: 'volts-dc-lowz', title: 'volts DC, low-impedance input', ...lowZ, resolution: 0.1, zero: 0.02, coupling: 'dc' },
  {
    id: 'neon',
    title: 'neon or non-contact tester',
    dimension: 'voltage',
    gain: 0,
    resolution: 0,
    inputResistance: 1e6,
    threshold: { from: 45, to: 80 },
  },
  {
    id: 'beeper',
    title: 'continuity beeper',
    dimension: 'resistance',
    gain: 0,
    resolution: 0,
    threshold: { from: 20, to: 250 },
  },
  { id: 'thermometer', title: 'thermometer', dimension: 'temperature', gain: 0, resolution: 0.8 },
  { id: 'counter', title: 'frequency counter', dimension: 'frequency', gain: 0.001, resolution: 2 },
  { id: 'display-temperature', title: 'service display', dimension: 'temperature', gain: 0, resolution: 0.5 },
  { id: 'display-volume', title: 'service display', dimension: 'volume', gain: 0, resolution: 0.05e-3 },
  { id: 'display-frequency', title: 'service display', dimension: 'frequency', gain: 0, resolution: 5 },
  {
    id: 'insulation',
    title: 'insulation tester',
    dimension: 'resistance',
    gain: 0,
    resolution: 0,
    threshold: { from: 0.7e6, to: 1.4e6 },
  },
  { id: 'water-meter', title: 'water meter and watch', dimension: 'flow', gain: 0.02, resolution: 0.3e-3 / 60 },
  { id: 'conductivity-meter', title: 'conductivity meter', dimension: 'conductivity', gain: 0.03, resolution: 1e-3 },
]

/** Instruments that may be used instead of the usual one, by its id. */
const ALTERNATIVES: Record<string, readonly string[]> = {
  volts: ['volts-lowz', 'neon'],
  'volts-dc': ['volts-dc-lowz'],
  ohms: ['beeper'],
}

/** Instruments that may be used instead of another; none for senses. */
export const alternativeMeters = (meter: string | undefined): readonly string[] =>
  meter === undefined ? [] : (ALTERNATIVES[meter] ?? [])

/** Every instrument for a dimension, meters before testers, the usual ones first. */
export const metersFor = (dimension: Dimension): readonly string[] => {
  const own = METERS.filter((m) => m.dimension === dimension)
  const order = (m: Meter) => (m.threshold ? 2 : 0) + ((m.inputResistance ?? Infinity) < 1e6 ? 1 : 0)
  return own.sort((a, b) => order(a) - order(b)).map((m) => m.id)
}

/** The instrument of an id, `undefined` when there is none. */
export const findMeter = (id: string): Meter | undefined => METERS.find((m) => m.id === id)

/** How often somebody is wrong who sees or handles a thing plainly: a tap, a jammed float, water running out of a hose. */
export const PLAIN_LOOK = { falseYes: 0.005, falseNo: 0.015 }

/** How often each sense is wrong: says yes when it is no, says no when it is yes. */
export const SENSES: Record<Sense, { falseYes: number; falseNo: number }> = {
  ear: { falseYes: 0.06, falseNo: 0.12 },
  eye: { falseYes: 0.02, falseNo: 0.04 },
  hand: { falseYes: 0.08, falseNo: 0.12 },
}
