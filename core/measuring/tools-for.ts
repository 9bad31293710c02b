import type { ReadingShape } from '../foundation/quantity'

/** Tools that help with a reading of each dimension, the most likely first. */
const BY_DIMENSION: Readonly<Record<string, readonly string[]>> = {
  resistance: ['coil', 'heater', 'wire', 'thermistor', 'bead-curve'],
  voltage: ['joint', 'transformer', 'heater'],
  current: ['heater', 'coil'],
  flow: ['bucket'],
  pressure: ['bucket', 'level'],
  temperature: ['thermistor', 'thermostat'],
  length: ['level', 'trip'],
  time: ['timed-output'],
  volume: ['timed-output', 'bucket'],
  frequency: ['level'],
  conductivity: ['water'],
}

/** The tools that help with a reading of this shape. */
export function toolsFor(shape: ReadingShape): readonly string[] {
  if (shape.type === 'times') return ['count', 'trip']
  return shape.type === 'number' ? (BY_DIMENSION[shape.dimension] ?? []) : []
}
