import type { Sense } from '../model/kinds'
import type { Dimension } from '../foundation/quantity'

/**
 * An instrument as the trade carries it. Its accuracy is `gain` (share of the reading, shared by all readings of
 * that instrument in a visit) and `floor` (independent, in SI), both one standard deviation.
 */
export interface Meter {
  id: string
  title: string
  dimension: Dimension
  gain: number
  floor: number
  /** What of a voltage it shows: the RMS of the AC part, or the mean. */
  shows?: 'ac' | 'dc'
  /** Input resistance of a voltmeter, Ω. */
  input?: number
  /** Above this an ohmmeter shows OL, Ω. */
  range?: number
  /** It says yes or no, by a threshold that differs from one tester to the next (SI, log-uniform between the two). */
  says?: { from: number; to: number }
}

const volts = { dimension: 'voltage', gain: 0.007, floor: 0.15, input: 10e6 } as const
const lowZ = { dimension: 'voltage', gain: 0.012, floor: 0.4, input: 3e3 } as const

/** Every instrument. A new one goes to the end: shared parameters are numbered by this order. */
export const METERS: readonly Meter[] = [
  { id: 'volts', title: 'volts AC, 10 MΩ input', ...volts, shows: 'ac' },
  { id: 'volts-lowz', title: 'volts AC, low-impedance input', ...lowZ, shows: 'ac' },
  { id: 'ohms', title: 'ohms', dimension: 'resistance', gain: 0.006, floor: 0.15, range: 40e6 },
  { id: 'clamp', title: 'clamp meter', dimension: 'current', gain: 0.02, floor: 0.01 },
  { id: 'gauge', title: 'pressure gauge', dimension: 'pressure', gain: 0.02, floor: 0.05e5 },
  { id: 'bucket', title: 'bucket and stopwatch', dimension: 'flow', gain: 0.04, floor: 0.15e-3 / 60 },
  { id: 'stopwatch', title: 'stopwatch', dimension: 'time', gain: 0.002, floor: 1.5 },
  { id: 'rule', title: 'rule', dimension: 'length', gain: 0.01, floor: 4e-3 },
  { id: 'display', title: 'service display', dimension: 'length', gain: 0, floor: 2e-3 },
  { id: 'volts-dc', title: 'volts DC, 10 MΩ input', ...volts, floor: 0.02, shows: 'dc' },
  { id: 'volts-dc-lowz', title: 'volts DC, low-impedance input', ...lowZ, floor: 0.1, shows: 'dc' },
  {
    id: 'neon',
    title: 'neon or non-contact tester',
    dimension: 'voltage',
    gain: 0,
    floor: 0,
    input: 1e6,
    says: { from: 45, to: 80 },
  },
  {
    id: 'beeper',
    title: 'continuity beeper',
    dimension: 'resistance',
    gain: 0,
    floor: 0,
    says: { from: 20, to: 250 },
  },
  { id: 'thermometer', title: 'thermometer', dimension: 'temperature', gain: 0, floor: 0.8 },
  { id: 'counter', title: 'frequency counter', dimension: 'frequency', gain: 0.001, floor: 2 },
  { id: 'display-temperature', title: 'service display', dimension: 'temperature', gain: 0, floor: 0.5 },
  { id: 'display-volume', title: 'service display', dimension: 'volume', gain: 0, floor: 0.05e-3 },
  { id: 'display-frequency', title: 'service display', dimension: 'frequency', gain: 0, floor: 5 },
]

export const findMeter = (id: string): Meter | undefined => METERS.find((m) => m.id === id)

/** How often each sense is wrong: says yes when it is no, says no when it is yes. */
export const SENSES: Record<Sense, { title: string; falseYes: number; falseNo: number }> = {
  ear: { title: 'listen', falseYes: 0.06, falseNo: 0.12 },
  eye: { title: 'look', falseYes: 0.02, falseNo: 0.04 },
  hand: { title: 'feel', falseYes: 0.08, falseNo: 0.12 },
}
