import type { ReadingValue } from '../foundation/quantity'

/** What is known about a machine, as data, in the order it came. */
export type Evidence =
  | { type: 'complaint'; complaint: string }
  /** What was said of the days before: moved lately, helps when tapped. */
  | { type: 'circumstance'; circumstance: string }
  | { type: 'action'; action: Action }
  /** `accuracy`: limit of error of the instrument as its papers give it, share of the reading; absent for the usual one. */
  | {
      type: 'reading'
      test: string
      value: ReadingValue
      instrument: string | undefined
      accuracy?: number | undefined
    }

/** What hands did. `target` is a part, a panel, a program or a repair, by id. */
export interface Action {
  verb:
    | 'isolate'
    | 'restore'
    | 'open'
    | 'close'
    | 'unplug'
    | 'plug'
    | 'jumper'
    | 'unjumper'
    | 'lift'
    | 'land'
    | 'start'
    | 'repair'
  target?: string
}

/** Whether hands leave something in the machine that is not as it was, to be put right before it is left. */
export const isBypass = (verb: Action['verb']): boolean => verb === 'jumper' || verb === 'lift'

export const VERBS = [
  'isolate',
  'restore',
  'open',
  'close',
  'unplug',
  'plug',
  'jumper',
  'unjumper',
  'lift',
  'land',
  'start',
  'repair',
] as const
