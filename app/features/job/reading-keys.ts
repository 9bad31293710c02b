import type { Dimension, ReadingShape } from '../../../core/foundation/quantity'

/** What a meter of each dimension shows besides digits: units, and what has no number. Four to a pad. */
const SPECIAL: Partial<Record<Dimension, readonly string[]>> = {
  resistance: ['OL', 'k', 'M', 'm'],
  voltage: ['mV', 'kV', '−', 'never'],
  current: ['mA', 'A', '−', 'never'],
  time: [':', '>', 'never began', 'never ended'],
  temperature: ['°C', '°F', '−', 'never'],
  pressure: ['bar', 'psi', 'kPa', 'never'],
  flow: ['L/min', 'gpm', 'mL', 'never'],
  volume: ['L', 'mL', 'gal', 'never'],
  length: ['mm', 'cm', 'in', 'never'],
  frequency: ['Hz', 'kHz', '−', 'never'],
}
const OTHERS = ['%', 'k', '−', 'never']
const TIMES = ['/', '10/10', '9/10', 'never']

/** Answers that are entered as they stand, by one key. */
export const WHOLE_ANSWERS: ReadonlySet<string> = new Set(['OL', 'never', 'never began', 'never ended'])

/** The rows of a keypad for a reading; none where it has no digits. */
export function keysFor(shape: ReadingShape): string[][] {
  if (shape.type !== 'number' && shape.type !== 'times') return []
  const [a, b, c, d] = shape.type === 'times' ? TIMES : (SPECIAL[shape.dimension] ?? OTHERS)
  return [
    ['7', '8', '9', a!],
    ['4', '5', '6', b!],
    ['1', '2', '3', c!],
    ['.', '0', '⌫', d!],
  ]
}

/** Keys beside the field of a laptop: what is quicker tapped than typed. */
export function quickAnswers(shape: ReadingShape): readonly string[] {
  if (shape.type === 'yes-no') return []
  if (shape.type === 'word') return shape.words
  if (shape.type === 'times') return ['10/10']
  if (shape.dimension === 'time') return ['never began', 'never ended']
  return [...(shape.dimension === 'resistance' ? ['OL'] : []), ...(shape.dimension === 'voltage' ? ['0'] : []), 'never']
}
